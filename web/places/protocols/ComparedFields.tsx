import type { Compared } from '@bienestar/core/house/house';
import { COMPARED_WITH } from '@bienestar/core/house/ways';
import { COMPARED_WORDS } from '../../format/protocolWords';
import { Choice } from '../../parts/Choice';
import { Segments } from '../../parts/Segments';
import { TextField } from '../../parts/TextField';
import { LastingFields } from './LastingFields';

interface ComparedFieldsProps {
  readonly compared: Compared;
  readonly onChange: (compared: Compared) => void;
}

const LATER: NonNullable<Compared['after']> = { amount: 3, unit: 'weeks' };

/** What is looked at again to see what the treatment did, beside what, and when. */
export function ComparedFields({ compared, onChange }: ComparedFieldsProps) {
  const { what, beside, after } = compared;
  return (
    <div className="col-span-2 grid grid-cols-2 items-end gap-3 border-l-2 border-line-strong pl-3">
      <TextField
        label="What is compared"
        value={what}
        onCommit={(text) => onChange({ ...compared, what: text })}
      />
      <Choice
        label="with"
        value={beside}
        options={COMPARED_WITH.map((each) => ({ value: each, label: COMPARED_WORDS[each] }))}
        onChoose={(next) => onChange({ ...compared, beside: next })}
      />
      <Segments
        label="When it is compared"
        value={after ? 'later' : 'visit'}
        options={[
          { value: 'visit', label: 'at the end of the visit' },
          { value: 'later', label: 'some time after' },
        ]}
        onChoose={(when) =>
          onChange(when === 'later' ? { what, beside, after: LATER } : { what, beside })
        }
      />
      {after && (
        <LastingFields
          label="After the visit"
          value={after}
          onChange={(lasting) => onChange({ ...compared, after: lasting })}
        />
      )}
    </div>
  );
}
