import { TOOLS, type Tool } from '@bienestar/core/house/ways';
import { ACTIONS, actionFacts, PHASES } from '@bienestar/core/house/actions';
import { spoken } from '../../../format/protocolWords';
import { Choice } from '../../../parts/Choice';
import { Fold } from '../../../parts/Fold';
import { Segments } from '../../../parts/Segments';
import { TextField } from '../../../parts/TextField';
import { Toggles } from '../../../parts/Toggles';
import { useHouse } from '../../../store/house';
import type { StepFieldsProps } from './stepFields';

const NONE = 'none';

/** How the step is worked: action and phase, with what, until when, with which gloves, what is mixed. */
export function WorkFields({ step, change, forSome = false }: StepFieldsProps) {
  const { mixes } = useHouse();
  const summary = [
    step.action,
    step.until && `until ${step.until}`,
    step.tools?.map(spoken).join(', '),
    step.gloves && `${step.gloves} gloves`,
    step.makes && 'mixing',
  ]
    .filter(Boolean)
    .join(' · ');
  return (
    <Fold title="How it is worked" summary={summary}>
      {!forSome && (
        <div className="grid grid-cols-2 gap-3">
          <Choice
            label="Action"
            value={step.action ?? NONE}
            options={[
              { value: NONE, label: 'in its own words' },
              ...ACTIONS.map((action) => ({ value: action, label: action })),
            ]}
            onChoose={(value) => {
              if (value === NONE) change({ action: undefined });
              else {
                const action = value;
                change({ action, phase: actionFacts(action).phase });
              }
            }}
          />
          <Choice
            label="Phase"
            value={step.phase ?? NONE}
            options={[
              { value: NONE, label: 'not said' },
              ...PHASES.map((phase) => ({ value: phase, label: spoken(phase) })),
            ]}
            onChoose={(value) => change({ phase: value === NONE ? undefined : value })}
          />
        </div>
      )}
      <TextField
        label="Until (the skin shows)"
        hint={
          step.until === undefined
            ? 'such as even pinkness; it is waited for at most as long as the contact'
            : undefined
        }
        value={step.until ?? ''}
        onCommit={(until) =>
          change(
            until === ''
              ? { until: undefined }
              : { until, capMinutes: step.capMinutes ?? Math.max(1, step.minutes.most) },
            'until',
          )
        }
      />
      <Toggles<Tool>
        label="With"
        values={step.tools ?? []}
        options={TOOLS.map((tool) => ({ value: tool, label: tool }))}
        onChange={(tools) => change({ tools: tools.length === 0 ? undefined : tools })}
      />
      <Segments
        label="Gloves"
        value={step.gloves ?? NONE}
        options={[
          { value: NONE, label: 'none' },
          { value: 'plain', label: 'plain' },
          { value: 'sterile', label: 'sterile' },
        ]}
        onChoose={(gloves) => change({ gloves: gloves === 'none' ? undefined : gloves })}
      />
      {!forSome && mixes.length > 0 && (
        <Toggles
          label="Mixes made in this step"
          values={step.makes ?? []}
          options={mixes.map((mix) => ({ value: mix.id, label: mix.name }))}
          onChange={(makes) => change({ makes: makes.length === 0 ? undefined : makes })}
        />
      )}
    </Fold>
  );
}
