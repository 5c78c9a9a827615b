import { LIMITS, outside } from '@bienestar/contract/limits';
import type { Conditional, VisitKind } from '@bienestar/core/house/house';
import { changeOtherLayers, hangsOnSame } from '@bienestar/core/protocol/otherwise';
import { Button } from '../../../parts/Button';
import { NumberField } from '../../../parts/NumberField';
import type { StepFieldsProps } from './stepFields';

interface OtherLayersFieldsProps extends Pick<StepFieldsProps, 'step' | 'protocol' | 'edit'> {
  readonly on: Conditional;
}

const LABELS = {
  first: 'Layers on a first visit',
  returning: 'Layers on later visits',
} as const satisfies Record<VisitKind, string>;

/** In how many layers the step is done for some. */
export function OtherLayersFields({ step, protocol, edit, on }: OtherLayersFieldsProps) {
  const group = protocol.layerGroups.find(({ id }) => id === step.layerGroupId);
  if (!group || step.meanwhileOf !== undefined) return null;
  const own = group.otherwise?.find((each) => hangsOnSame(each, on))?.layers;
  const layers = own ?? group.layers;
  const put = (next: typeof own, kind: VisitKind): void =>
    edit(
      (before) => changeOtherLayers(before, group.id, on, next),
      `${group.id}.otherwise.${kind}`,
    );
  return (
    <div className="grid grid-cols-2 gap-3">
      {(['first', 'returning'] as const).map((kind) => (
        <NumberField
          key={kind}
          label={LABELS[kind]}
          unit="layers"
          value={layers[kind]}
          check={(value) => outside(LIMITS.layers, value)}
          onCommit={(value) => put({ ...layers, [kind]: value }, kind)}
        />
      ))}
      {own && (
        <Button
          className="justify-self-start"
          weight="quiet"
          onClick={() => put(undefined, 'first')}
        >
          As many layers as for everybody
        </Button>
      )}
    </div>
  );
}
