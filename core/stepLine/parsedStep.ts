import type { Dose, Step } from '../house/house';
import type { Joined } from '../protocol/forWhom';
import type { SaidOtherwise } from '../protocol/otherwise';
import type { SaidQuestion } from '../house/question';
import type { LayersSaid } from '../protocol/layersSaid';

/** What a line says about a step. What it does not say is as it was. */
export type ParsedStep = {
  -readonly [
    K in
      | 'action'
      | 'phase'
      | 'minutes'
      | 'until'
      | 'capMinutes'
      | 'capSince'
      | 'zones'
      | 'lightly'
      | 'more'
      | 'last'
      | 'never'
      | 'technique'
      | 'moments'
      | 'tools'
      | 'device'
      | 'running'
      | 'runningAt'
      | 'covers'
      | 'removal'
      | 'gloves'
      | 'makes'
      | 'holdsMinutes'
      | 'optional'
      | 'offers'
      | 'hands'
      | 'by'
      | 'say'
      | 'why'
      | 'watch'
      | 'note'
      | 'inLayers'
  ]?: NonNullable<Step[K]>;
} & {
  name?: string;
  /** for whom it is, or when; everybody unless said */
  for?: Joined;
  /** in how many layers it is done; once unless said */
  layers?: LayersSaid;
  asks?: readonly SaidQuestion[];
  /** each for whom it is, where that is said of it alone */
  doses: (Omit<Dose, 'id' | 'option' | 'also'> & { readonly for?: Joined })[];
  /** how it is otherwise for some */
  otherwise?: readonly SaidOtherwise[];
};
