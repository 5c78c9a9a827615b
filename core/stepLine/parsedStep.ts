import type { Dose, Step } from '../house/house';
import type { ForWhom } from '../protocol/forWhom';

/** What a line says about a step. What it does not say is as it was. */
export type ParsedStep = {
  -readonly [
    K in
      | 'action'
      | 'phase'
      | 'minutes'
      | 'until'
      | 'capMinutes'
      | 'zones'
      | 'lightly'
      | 'never'
      | 'tools'
      | 'device'
      | 'running'
      | 'covers'
      | 'removal'
      | 'gloves'
      | 'makes'
      | 'optional'
      | 'offers'
      | 'hands'
      | 'by'
      | 'say'
      | 'why'
      | 'watch'
      | 'note'
  ]?: NonNullable<Step[K]>;
} & {
  name?: string;
  /** for whom it is, or when; everybody unless said */
  for?: ForWhom;
  doses: Omit<Dose, 'id' | 'option'>[];
};
