import { LIMITS, within } from '@bienestar/contract/limits';
import { REMOVALS } from '@bienestar/core/house/ways';
import { asId } from '@bienestar/core/house/ids';
import { REMOVAL_WORDS, removalWords } from '../../../format/protocolWords';
import { Choice } from '../../../parts/Choice';
import { Fold } from '../../../parts/Fold';
import { NumberField } from '../../../parts/NumberField';
import { Segments } from '../../../parts/Segments';
import { useHouse } from '../../../store/house';
import type { StepFieldsProps } from './stepFields';

const NONE = 'none';

/** How what was put on comes off, with the linen and water it takes, and whether it covers its zones. */
export function RemovalFields({ step, change, forSome = false }: StepFieldsProps) {
  const { materials } = useHouse();
  const { removal } = step;
  const pieces = materials.filter(
    (each) =>
      each.unit === 'piece' &&
      (each.kind === 'linen' || each.kind === 'consumable') &&
      each.archivedOn === undefined,
  );
  const nameOf = (id: string): string | undefined => materials.find((each) => each.id === id)?.name;
  const put = (changes: Partial<NonNullable<typeof removal>>, typed?: string): void => {
    if (removal) change({ removal: { ...removal, ...changes } }, typed);
  };
  return (
    <Fold
      title="How it comes off"
      summary={[removal && removalWords(removal, nameOf), step.covers && 'its zones lie under it']
        .filter(Boolean)
        .join(' · ')}
    >
      <div className="grid grid-cols-2 gap-3">
        <Choice
          label="Comes off with"
          value={removal?.how ?? NONE}
          options={[
            { value: NONE, label: 'not in this step' },
            ...REMOVALS.map((way) => ({ value: way, label: REMOVAL_WORDS[way] })),
          ]}
          onChoose={(value) =>
            change({
              removal: value === NONE ? undefined : { ...removal, how: value },
            })
          }
        />
        {removal && (
          <NumberField
            label="Water"
            unit="ml"
            value={removal.waterMl}
            check={within(LIMITS.quantityOrNone)}
            onCommit={(waterMl) => put({ waterMl }, 'water')}
            onClear={() => put({ waterMl: undefined })}
          />
        )}
      </div>
      {removal && (
        <div className="grid grid-cols-2 gap-3">
          <Choice
            label="Taking"
            value={removal.taking?.materialId ?? NONE}
            options={[
              { value: NONE, label: 'nothing' },
              ...pieces.map((each) => ({ value: String(each.id), label: each.name })),
            ]}
            onChoose={(value) =>
              put({
                taking:
                  value === NONE
                    ? undefined
                    : { materialId: asId(value), pieces: removal.taking?.pieces ?? 1 },
              })
            }
          />
          {removal.taking && (
            <NumberField
              label="Pieces"
              value={removal.taking.pieces}
              check={within(LIMITS.removalPieces)}
              onCommit={(count) =>
                removal.taking && put({ taking: { ...removal.taking, pieces: count } }, 'pieces')
              }
            />
          )}
          {removal.taking && (
            <Segments
              label="Taken is"
              value={removal.taking.again ? 'again' : 'new'}
              options={[
                { value: 'new', label: 'a new one' },
                { value: 'again', label: 'the same again' },
              ]}
              onChoose={(value) => {
                if (!removal.taking) return;
                const { again: _again, ...taking } = removal.taking;
                put({ taking: value === 'again' ? { ...taking, again: true } : taking });
              }}
            />
          )}
        </div>
      )}
      {!forSome && (
        <Segments
          label="While it is on"
          value={step.covers ? 'covered' : 'open'}
          options={[
            { value: 'open', label: 'its zones can be worked' },
            { value: 'covered', label: 'they lie under it' },
          ]}
          onChoose={(value) => change({ covers: value === 'covered' ? true : undefined })}
        />
      )}
    </Fold>
  );
}
