import type { Stretch } from '@bienestar/core/house/actions';
import type { Writing } from '@bienestar/core/house/house';
import type { StepId } from '@bienestar/core/house/ids';
import type { PlaceOfNew } from '@bienestar/core/protocol/addSteps';

const STRETCH_WORDS: Readonly<Record<Stretch, string>> = {
  'set-up': 'set-up',
  visit: 'the visit',
  reset: 'reset',
};

/** Where a new step will stand, as it is said before it is there. */
export function placeWords({ steps, layerGroups }: Writing, place: PlaceOfNew): string {
  const nameOf = (id: StepId | undefined): string =>
    steps.find((each) => each.id === id)?.name ?? '';
  const layers = layerGroups.find(({ id }) => id === place.layerGroupId);
  const within = layers ? `, in ${layers.name}` : '';
  if (place.beside !== undefined) return `beside “${nameOf(place.beside)}”${within}`;
  if (place.after !== undefined) return `after “${nameOf(place.after)}”${within}`;
  return `at the beginning of ${STRETCH_WORDS[place.stretch]}`;
}
