import { Fold } from '../../../parts/Fold';
import { TextField } from '../../../parts/TextField';
import type { StepFieldsProps } from './stepFields';

const LONGEST = 2000;

/** What is said to the client and why, what to watch, and anything else. */
export function WordsFields({ step, change }: StepFieldsProps) {
  const field = (key: 'say' | 'why' | 'watch' | 'note', label: string) => (
    <TextField
      label={label}
      lines={2}
      longest={LONGEST}
      value={step[key] ?? ''}
      onCommit={(text) => change({ [key]: text === '' ? undefined : text }, key)}
    />
  );
  return (
    <>
      <Fold title="Said to the client" summary={[step.say, step.why].filter(Boolean).join(' · ')}>
        {field('say', 'Say')}
        {field('why', 'Because')}
      </Fold>
      {field('watch', 'What to watch')}
      {field('note', 'Note')}
    </>
  );
}
