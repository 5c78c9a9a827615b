import { CONDITIONS, type Condition } from '@bienestar/core/house/traits';
import { useHouse } from './house';

/** What may be seen under the lamp: the usual, and what this house looks for besides. */
export function useFindings(): readonly Condition[] {
  const { findings = [] } = useHouse().settings;
  return [...CONDITIONS, ...findings];
}
