import { useState } from 'react';
import type { Line, Protocol } from '@bienestar/core/house/house';
import { isStep } from '@bienestar/core/house/protocol';
import { changeStep } from '@bienestar/core/protocol/editSteps';
import { hangingWords } from '../../../format/protocolWords';
import { Button } from '../../../parts/Button';
import { Fold } from '../../../parts/Fold';
import { Segments } from '../../../parts/Segments';
import { TextField } from '../../../parts/TextField';
import { Toggles } from '../../../parts/Toggles';
import { useHouse } from '../../../store/house';
import { ChoicesSheet } from '../ChoicesSheet';
import type { EditProtocol } from '../useDraft';
import { HangingFields } from './HangingFields';

interface ForWhomProps {
  readonly line: Line;
  readonly protocol: Protocol;
  readonly edit: EditProtocol;
}

/** For whom a line is: everybody, or one option of a choice; only if needed; what may be offered here. */
export function ForWhom({ line, protocol, edit }: ForWhomProps) {
  const [managing, setManaging] = useState(false);
  const house = useHouse();
  const step = isStep(line) ? line : undefined;
  const change = (changes: Parameters<typeof changeStep>[2], typed?: string): void =>
    edit(
      (before) => changeStep(before, line.id, changes),
      typed === undefined ? undefined : `${line.id}.${typed}`,
    );
  const summary = [
    hangingWords(protocol.choices, line),
    step?.optional && `only if ${step.optional.if === '' ? 'needed' : step.optional.if}`,
    step?.offers && 'an add-on may be offered',
  ]
    .filter(Boolean)
    .join(' · ');
  return (
    <Fold title="For whom" summary={summary === '' ? 'everybody' : summary}>
      <div className="flex items-end gap-3">
        <HangingFields
          label="Done for"
          choices={protocol.choices}
          of={line}
          everybody="everybody"
          onChange={change}
        />
        <Button onClick={() => setManaging(true)}>Choices …</Button>
      </div>
      {step && (
        <>
          <Segments
            label="Whenever"
            value={step.optional?.usually ?? 'always'}
            options={[
              { value: 'always', label: 'always' },
              { value: 'done', label: 'if needed, usually done' },
              { value: 'left-out', label: 'usually left out' },
            ]}
            onChoose={(value) =>
              change({
                optional:
                  value === 'always' ? undefined : { usually: value, if: step.optional?.if ?? '' },
              })
            }
          />
          {step.optional && (
            <TextField
              label="Needed if"
              value={step.optional.if}
              onCommit={(seen) =>
                step.optional && change({ optional: { ...step.optional, if: seen } }, 'if')
              }
            />
          )}
          {house.protocols.length > 1 && (
            <Toggles
              label="May be offered here"
              values={step.offers ?? []}
              options={house.protocols
                .filter((each) => each.id !== protocol.id)
                .map((each) => ({ value: each.id, label: each.name }))}
              onChange={(offers) => change({ offers: offers.length === 0 ? undefined : offers })}
            />
          )}
        </>
      )}
      {managing && (
        <ChoicesSheet protocol={protocol} edit={edit} onClose={() => setManaging(false)} />
      )}
    </Fold>
  );
}
