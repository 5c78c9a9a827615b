import { LIMITS, outside } from '@bienestar/contract/limits';
import type { LayerGroup, Protocol, Step } from '@bienestar/core/house/house';
import { asId } from '@bienestar/core/house/ids';
import { changeStep, putInLayers } from '@bienestar/core/protocol/editSteps';
import { Choice } from '../../../parts/Choice';
import { NumberField } from '../../../parts/NumberField';
import { Segments } from '../../../parts/Segments';
import { TextField } from '../../../parts/TextField';
import { newLayers } from '../newStep';
import { TestSpotFields } from './LayerCare';
import { QuestionsEditor } from './QuestionsEditor';
import { MinutesField } from './MinutesField';
import type { EditProtocol } from '../useDraft';

interface LayersEditorProps {
  readonly protocol: Protocol;
  readonly step: Step;
  readonly edit: EditProtocol;
}

const ONCE = 'once';
const NEW = 'new';

/** Whether the step is done once or in layers, and how many on which visit. */
export function LayersEditor({ protocol, step, edit }: LayersEditorProps) {
  const group = protocol.layerGroups.find((each) => each.id === step.layerGroupId);
  if (step.meanwhileOf !== undefined) return null;

  const choose = (key: string): void => {
    if (key === NEW) {
      const made = newLayers();
      edit((before) =>
        putInLayers({ ...before, layerGroups: [...before.layerGroups, made] }, step.id, made.id),
      );
    } else edit((before) => putInLayers(before, step.id, key === ONCE ? undefined : asId(key)));
  };
  const change = (field: string, changes: Partial<LayerGroup>): void =>
    edit(
      (before) => ({
        ...before,
        layerGroups: before.layerGroups.map((each) =>
          each.id === group?.id ? { ...each, ...changes } : each,
        ),
      }),
      `${group?.id}.${field}`,
    );

  return (
    <div className="flex flex-col gap-3">
      <Choice
        label="Repeated"
        value={step.layerGroupId ?? ONCE}
        options={[
          { value: ONCE, label: 'done once' },
          ...protocol.layerGroups.map((each) => ({
            value: each.id,
            label: `in layers: ${each.name}`,
          })),
          { value: NEW, label: 'in new layers …' },
        ]}
        onChoose={choose}
      />
      {group && (
        <div
          role="group"
          aria-label={group.name}
          className="flex flex-col gap-3 border-l-2 border-palm pl-3"
        >
          <TextField
            label="Name of the layers"
            needed
            value={group.name}
            onCommit={(name) => change('name', { name })}
          />
          <div className="grid grid-cols-2 gap-3">
            {(['first', 'returning'] as const).map((kind) => (
              <NumberField
                key={kind}
                label={kind === 'first' ? 'On a first visit' : 'On later visits'}
                unit="layers"
                value={group.layers[kind]}
                check={(layers) => {
                  const wrong = outside(LIMITS.layers, layers);
                  return wrong && `${wrong} Still counted with ${group.layers[kind]}.`;
                }}
                onCommit={(layers) => change(kind, { layers: { ...group.layers, [kind]: layers } })}
              />
            ))}
          </div>
          <Segments
            label="This step is done"
            value={step.inLayers ?? 'all'}
            options={[
              { value: 'all', label: 'in each' },
              { value: 'first', label: 'in the first' },
              { value: 'all-but-last', label: 'before the last' },
              { value: 'last', label: 'in the last' },
            ]}
            onChoose={(value) =>
              edit((before) =>
                changeStep(before, step.id, { inLayers: value === 'all' ? undefined : value }),
              )
            }
          />
          <Segments
            label="Face"
            value={group.halves ? 'halves' : 'whole'}
            options={[
              { value: 'whole', label: 'whole at once' },
              { value: 'halves', label: 'one half, then the other' },
            ]}
            onChoose={(value) =>
              change('halves', { halves: value === 'halves' ? true : undefined })
            }
          />
          <TestSpotFields group={group} change={change} />
          {group.between && (
            <MinutesField
              legend="Wait between layers"
              value={group.between.wait}
              onCommit={(wait) => change('wait', { between: { wait } })}
            />
          )}
          <QuestionsEditor
            questions={group.asks ?? []}
            addWords="Ask after each layer"
            onChange={(asks, field) => change(field ?? 'asks', { asks })}
          />
        </div>
      )}
    </div>
  );
}
