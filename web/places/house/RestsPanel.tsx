import { LIMITS, within } from '@bienestar/contract/limits';
import { REST_KINDS, USUAL_RESTS, type RestKind, type RestRule } from '@bienestar/core/house/rests';
import { counted } from '../../format/figures';
import { spoken } from '../../format/protocolWords';
import { Button } from '../../parts/Button';
import { Choice } from '../../parts/Choice';
import { Fold } from '../../parts/Fold';
import { NumberField } from '../../parts/NumberField';
import { useSnapshot } from '../../store/house';
import { useChangeSettings } from '../../store/useEditPart';
import { AddLine, Line, Section } from './Section';

const KINDS = REST_KINDS.map((kind) => ({ value: kind, label: spoken(kind) }));

/** How long a guest's skin rests between different treatments; the week says where it does not. */
export function RestsPanel() {
  const { settings } = useSnapshot();
  const change = useChangeSettings();
  const rests = settings.rests ?? USUAL_RESTS;
  const put = (next: readonly RestRule[]) => change({ rests: next });
  return (
    <Section title="Rest between treatments">
      <p className="text-sm text-ink-soft">
        Days between two visits of one guest, by what is done. The same treatment keeps the spacing
        of its protocol. These are the usual cautions: makers’ instructions, local codes and your
        licence stand above them.
      </p>
      <Fold
        title={counted(rests.length, 'rest')}
        summary={settings.rests ? 'as the house says' : 'the usual ones'}
      >
        {rests.map((rest, at) => {
          const putRest = (changes: Partial<RestRule>) =>
            put(rests.with(at, { ...rest, ...changes }));
          const name = `Rest ${at + 1}`;
          return (
            <Line key={at} name={name} onRemove={() => void put(rests.toSpliced(at, 1))}>
              <Word>after</Word>
              <Choice<RestKind>
                className="min-w-28 flex-1"
                labelHidden
                label={`${name}, after`}
                value={rest.after}
                options={KINDS}
                onChoose={(after) => void putRest({ after })}
              />
              <Word>before</Word>
              <Choice<RestKind>
                className="min-w-28 flex-1"
                labelHidden
                label={`${name}, before`}
                value={rest.before}
                options={KINDS}
                onChoose={(before) => void putRest({ before })}
              />
              <NumberField
                className="w-24"
                labelHidden
                commitOn="leaving"
                label={`${name}, at least`}
                unit="d"
                value={rest.days}
                check={within(LIMITS.restDays)}
                onCommit={(days) => putRest({ days })}
              />
            </Line>
          );
        })}
        <div className="flex flex-wrap gap-2">
          <AddLine
            what="Add a rest"
            onAdd={() => void put([...rests, { after: 'acid', before: 'light', days: 3 }])}
          />
          {settings.rests && (
            <Button weight="quiet" onClick={() => void change({ rests: undefined })}>
              The usual ones again
            </Button>
          )}
        </div>
      </Fold>
    </Section>
  );
}

function Word({ children }: { readonly children: string }) {
  return (
    <span aria-hidden className="pb-2 text-sm text-ink-soft">
      {children}
    </span>
  );
}
