import type { Minutes } from '@bienestar/core/house/protocol';
import { parseMinutes } from '../../../format/typedMinutes';
import { TripleField } from '../../../parts/TripleField';

const LONGEST_MINUTES = 1440;

interface MinutesFieldProps {
  readonly legend: string;
  readonly value: Minutes;
  readonly onCommit: (minutes: Minutes) => void;
}

/** Minutes as they usually are, with the least and the most where they differ. */
export function MinutesField({
  legend,
  value: { least, usual, most },
  onCommit,
}: MinutesFieldProps) {
  return (
    <TripleField
      legend={legend}
      labels={['least', 'usual', 'most']}
      values={[least, usual, most]}
      unit="min"
      zeroAllowed
      largest={LONGEST_MINUTES}
      parse={parseMinutes}
      onCommit={([least, usual, most]) => onCommit({ least, usual, most })}
    />
  );
}
