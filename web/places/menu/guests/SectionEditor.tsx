import { ArrowDown, ArrowUp, X } from 'lucide-react';
import { Link } from 'react-router';
import type { MenuLine, MenuSection } from '@bienestar/core/house/house';
import { asId } from '@bienestar/core/house/ids';
import { LONGEST_NOTE } from '@bienestar/core/house/limits';
import { IconButton } from '../../../parts/Button';
import { Choice } from '../../../parts/Choice';
import { Fold } from '../../../parts/Fold';
import { TextField } from '../../../parts/TextField';
import { useHouse } from '../../../store/house';
import { moved } from './moved';

interface SectionEditorProps {
  readonly section: MenuSection;
  readonly first: boolean;
  readonly last: boolean;
  readonly onChange: (section: MenuSection) => Promise<string | undefined>;
  readonly onMove: (by: -1 | 1) => void;
  readonly onRemove: () => void;
}

const LEAVING = { commitOn: 'leaving' } as const;
const NOTHING = 'nothing';

/** A section of a menu: its title, its lines in order, and what else can be put on it. */
export function SectionEditor({
  section,
  first,
  last,
  onChange,
  onMove,
  onRemove,
}: SectionEditorProps) {
  const { services, offers } = useHouse();
  const { title, text, lines } = section;
  const putLines = (next: readonly MenuLine[]): void => void onChange({ ...section, lines: next });
  const named = (line: MenuLine): { readonly name: string; readonly to: string } => {
    if (line.kind === 'service') {
      const service = services.find(({ id }) => id === line.serviceId);
      return { name: service?.name ?? 'no longer there', to: `/menu/${line.serviceId}` };
    }
    const offer = offers.find(({ id }) => id === line.offerId);
    return { name: offer?.name ?? 'no longer there', to: `/menu/offers/${line.offerId}` };
  };
  const offered = [
    { value: NOTHING, label: 'put something on it …' },
    ...services.map(({ id, name }) => ({ value: `service/${id}`, label: name })),
    ...offers.map(({ id, name }) => ({ value: `offer/${id}`, label: name })),
  ];
  return (
    <Fold
      title={title}
      summary={`${lines.length} ${lines.length === 1 ? 'line' : 'lines'}`}
      unfolded={first}
    >
      <div className="flex items-end gap-1">
        <TextField
          {...LEAVING}
          className="flex-1"
          label="Title of the section"
          needed
          value={title}
          onCommit={(next) => onChange({ ...section, title: next })}
        />
        <IconButton label={`${title} further up`} disabled={first} onClick={() => onMove(-1)}>
          <ArrowUp aria-hidden size={16} />
        </IconButton>
        <IconButton label={`${title} further down`} disabled={last} onClick={() => onMove(1)}>
          <ArrowDown aria-hidden size={16} />
        </IconButton>
        <IconButton label={`Leave out the section ${title}`} onClick={onRemove}>
          <X aria-hidden size={16} />
        </IconButton>
      </div>
      <TextField
        {...LEAVING}
        label="Under it"
        longest={LONGEST_NOTE}
        value={text ?? ''}
        onCommit={(next) => {
          const { text: _text, ...rest } = section;
          return onChange(next.trim() === '' ? rest : { ...rest, text: next.trim() });
        }}
      />
      <ol aria-label={`Lines of ${title}`} className="flex flex-col">
        {lines.map((line, at) => {
          const { name, to } = named(line);
          return (
            <li key={`${to}-${at}`} className="flex items-center border-b border-line text-sm">
              <Link
                to={to}
                title="Its words for guests"
                className="min-w-0 flex-1 truncate hover:text-clay hover:underline"
              >
                {name}
              </Link>
              <IconButton
                label={`${name} further up`}
                disabled={at === 0}
                onClick={() => putLines(moved(lines, at, at - 1))}
              >
                <ArrowUp aria-hidden size={14} />
              </IconButton>
              <IconButton
                label={`${name} further down`}
                disabled={at === lines.length - 1}
                onClick={() => putLines(moved(lines, at, at + 1))}
              >
                <ArrowDown aria-hidden size={14} />
              </IconButton>
              <IconButton
                label={`Leave ${name} out of ${title}`}
                onClick={() => putLines(lines.toSpliced(at, 1))}
              >
                <X aria-hidden size={14} />
              </IconButton>
            </li>
          );
        })}
      </ol>
      <Choice
        label={`Put on ${title}`}
        labelHidden
        value={NOTHING}
        options={offered}
        onChoose={(chosen) => {
          const [kind, id = ''] = chosen.split('/');
          if (kind === 'service') putLines([...lines, { kind, serviceId: asId(id) }]);
          if (kind === 'offer') putLines([...lines, { kind, offerId: asId(id) }]);
        }}
      />
    </Fold>
  );
}
