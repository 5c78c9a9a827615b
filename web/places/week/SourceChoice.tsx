import { VISIT_SOURCES } from '@bienestar/core/week/weekVisits';
import { Segments } from '../../parts/Segments';
import type { WeekInHand } from './useWeek';
import { SOURCE_WORDS } from './weekWords';

/** By what the visits of the week in hand are known. */
export function SourceChoice({ week }: { readonly week: WeekInHand }) {
  return (
    <Segments
      labelHidden
      label="Which visits"
      value={week.source}
      options={VISIT_SOURCES.map((value) => ({ value, label: SOURCE_WORDS[value] }))}
      onChoose={week.setSource}
    />
  );
}
