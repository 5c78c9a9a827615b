import { asId } from '@bienestar/core/house/ids';
import { isStep } from '@bienestar/core/house/protocol';
import { changeStep, ordered, putBeside } from '@bienestar/core/protocol/editSteps';
import { Choice } from '../../../parts/Choice';
import { Segments } from '../../../parts/Segments';
import type { StepFieldsProps } from './stepFields';

const NOT_BESIDE = 'by-itself';

/** Where the step stands: in which stretch, by whom, beside what. */
export function PlaceFields({ step, protocol, change, edit }: StepFieldsProps) {
  const hosts = protocol.steps.filter(
    (each) => isStep(each) && each.meanwhileOf === undefined && each.id !== step.id,
  );
  return (
    <div className="grid grid-cols-2 gap-3">
      <Segments
        label="Stretch"
        value={step.stretch}
        options={[
          { value: 'set-up', label: 'set-up' },
          { value: 'visit', label: 'visit' },
          { value: 'reset', label: 'reset' },
        ]}
        onChoose={(stretch) =>
          edit((before) =>
            ordered(
              changeStep(before, step.id, {
                stretch,
                layerGroupId: undefined,
                meanwhileOf: undefined,
              }),
            ),
          )
        }
      />
      <Segments
        label="Done by"
        value={step.by}
        options={[
          { value: 'therapist', label: 'therapist' },
          { value: 'assistant', label: 'assistant' },
        ]}
        onChoose={(by) => change({ by })}
      />
      <Choice
        className="col-span-2"
        label="Done meanwhile, beside"
        value={step.meanwhileOf ?? NOT_BESIDE}
        options={[
          { value: NOT_BESIDE, label: 'by itself' },
          ...hosts.map((host) => ({ value: String(host.id), label: host.name })),
        ]}
        onChoose={(host) =>
          edit((before) => putBeside(before, step.id, host === NOT_BESIDE ? undefined : asId(host)))
        }
      />
    </div>
  );
}
