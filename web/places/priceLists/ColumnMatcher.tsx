import {
  LIST_FIELDS,
  NEEDED_FIELDS,
  type ColumnMatch,
} from '@bienestar/core/priceLists/listColumns';
import type { DecimalMark } from '@bienestar/core/priceLists/listNumber';
import { FIELD_WORDS } from '@bienestar/core/priceLists/readList';
import { Choice } from '../../parts/Choice';
import type { ListReview } from './useListReview';

interface ColumnMatcherProps {
  readonly review: ListReview;
  readonly onUnderstand: (match: ColumnMatch, mark: DecimalMark | undefined) => void;
}

const NONE = 'none';

/** Which column holds what; matched by heading and by what was matched the last time. */
export function ColumnMatcher({ review, onUnderstand }: ColumnMatcherProps) {
  const { match, decimalMark, cells } = review;
  const headings = cells.rows[0] ?? [];
  if (headings.length === 0) return null;
  const incomplete = NEEDED_FIELDS.some((field) => match[field] === undefined);
  const options = [
    { value: NONE, label: '– not in this list –' },
    ...headings.map((heading, at) => ({
      value: String(at),
      label: heading.trim() || `column ${at + 1}`,
    })),
  ];
  return (
    <details open={incomplete} className="border-b border-line px-6 py-2 text-sm">
      <summary className="py-1">
        {Object.keys(match).length} of {headings.length} columns matched
        <span className="text-ink-soft">; the matching is remembered for this supplier</span>
      </summary>
      <div className="grid grid-cols-4 gap-3 py-3">
        {LIST_FIELDS.map((field) => (
          <Choice
            key={field}
            label={`${FIELD_WORDS[field]}${NEEDED_FIELDS.includes(field) ? ' (needed)' : ''}`}
            value={match[field] === undefined ? NONE : String(match[field])}
            options={options}
            onChoose={(value) => {
              const { [field]: _before, ...rest } = match;
              onUnderstand(
                value === NONE ? rest : { ...rest, [field]: Number(value) },
                decimalMark,
              );
            }}
          />
        ))}
        <Choice<DecimalMark | 'auto'>
          label="decimal mark"
          value={decimalMark ?? 'auto'}
          options={[
            { value: 'auto', label: 'as the list shows' },
            { value: ',', label: 'comma: 1.234,50' },
            { value: '.', label: 'point: 1,234.50' },
          ]}
          onChoose={(mark) => onUnderstand(match, mark === 'auto' ? undefined : mark)}
        />
      </div>
    </details>
  );
}
