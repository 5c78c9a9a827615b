import { Plus, X } from 'lucide-react';
import { LIMITS, within } from '@bienestar/contract/limits';
import type { Moment } from '@bienestar/core/house/house';
import { answerWords } from '@bienestar/core/house/question';
import { LONGEST_TEXT } from '@bienestar/core/house/limits';
import { parseMinutes } from '../../../format/typedMinutes';
import { Button, IconButton } from '../../../parts/Button';
import { Fold } from '../../../parts/Fold';
import { NumberField } from '../../../parts/NumberField';
import { TextField } from '../../../parts/TextField';
import { QuestionsEditor } from './QuestionsEditor';
import type { StepFieldsProps } from './stepFields';

/** What is asked and looked at in a step, and what happens while it lasts. */
export function AskedFields({ step, change }: StepFieldsProps) {
  const { asks = [], moments = [] } = step;
  const summary = [
    ...asks.map(({ ask, answer }) => (ask === '' ? answerWords(answer) : ask)),
    ...moments.map(({ what }) => what),
  ].join(' · ');
  const putMoments = (next: readonly Moment[], field?: string): void =>
    change({ moments: next.length === 0 ? undefined : next }, field);
  return (
    <Fold title="Asked and watched" summary={summary}>
      <QuestionsEditor
        questions={asks}
        addWords="Ask something"
        onChange={(next, field) => change({ asks: next }, field)}
      />
      {moments.map((moment, at) => (
        <div key={at} className="flex items-end gap-2">
          <NumberField
            className="w-28"
            label="At minute"
            unit="min"
            parse={parseMinutes}
            check={within(LIMITS.minutes)}
            value={moment.atMinute}
            onCommit={(atMinute) =>
              putMoments(moments.with(at, { ...moment, atMinute }), `at.${at}`)
            }
          />
          <TextField
            className="min-w-0 flex-1"
            label="what happens, or is done"
            needed
            longest={LONGEST_TEXT}
            value={moment.what}
            onCommit={(what) => putMoments(moments.with(at, { ...moment, what }), `what.${at}`)}
          />
          <IconButton
            label={`Remove ${moment.what}`}
            className="mb-0.5"
            onClick={() => putMoments(moments.toSpliced(at, 1))}
          >
            <X aria-hidden size={16} />
          </IconButton>
        </div>
      ))}
      <Button
        className="self-start"
        onClick={() =>
          putMoments([...moments, { atMinute: step.minutes.usual / 2, what: 'it grows warm' }])
        }
      >
        <Plus aria-hidden size={16} /> Something at a minute
      </Button>
    </Fold>
  );
}
