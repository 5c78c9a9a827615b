import type { Dose, Step } from '../house/house';

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
  doses: Omit<Dose, 'id' | 'option'>[];
};
