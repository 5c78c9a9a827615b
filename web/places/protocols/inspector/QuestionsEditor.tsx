import { nanoid } from '@reduxjs/toolkit';
import { Plus, X } from 'lucide-react';
import { LIMITS, within } from '@bienestar/contract/limits';
import { asId } from '@bienestar/core/house/ids';
import {
  answerWords,
  GRADES,
  HIGHEST_SCORE,
  RESPONSES,
  SIGNS,
  type AnswerKind,
  type Question,
  type Reaction,
  type Response,
  type Sign,
} from '@bienestar/core/house/question';
import { LONGEST_TEXT, LONGEST_UNIT } from '@bienestar/core/house/limits';
import { parseMinutes } from '../../../format/typedMinutes';
import { Button, IconButton } from '../../../parts/Button';
import { Choice } from '../../../parts/Choice';
import { NumberField } from '../../../parts/NumberField';
import { TextField } from '../../../parts/TextField';

interface QuestionsEditorProps {
  readonly questions: readonly Question[];
  /** what the button that adds one says */
  readonly addWords: string;
  /** @param field in which one types, so that quick edits of it are undone as one */
  readonly onChange: (questions: readonly Question[] | undefined, field?: string) => void;
}

const KIND_WORDS: Readonly<Record<AnswerKind['kind'], string>> = {
  score: `a score from 0 to ${HIGHEST_SCORE}`,
  sign: 'a sign, in grades',
  'yes-no': 'yes or no',
  choice: 'one of several',
  number: 'a number',
  text: 'in words',
};

const FRESH: Readonly<Record<AnswerKind['kind'], Pick<Question, 'answer' | 'reactions'>>> = {
  score: {
    answer: { kind: 'score' },
    reactions: [
      { from: 4, response: 'lightly' },
      { from: 7, response: 'off' },
    ],
  },
  sign: {
    answer: { kind: 'sign', sign: 'redness' },
    reactions: [{ from: 3, response: 'off' }],
  },
  'yes-no': { answer: { kind: 'yes-no' }, reactions: [{ at: 'yes', response: 'off' }] },
  choice: { answer: { kind: 'choice', of: ['good', 'too much'] }, reactions: [] },
  number: { answer: { kind: 'number', unit: 'cm' }, reactions: [] },
  text: { answer: { kind: 'text' }, reactions: [] },
};

/** What is asked or looked at, and what is done at which answer. */
export function QuestionsEditor({ questions, addWords, onChange }: QuestionsEditorProps) {
  const put = (at: number, changes: Partial<Question>, field?: string): void => {
    const before = questions[at];
    if (before) onChange(questions.with(at, { ...before, ...changes }), field);
  };
  return (
    <div className="flex flex-col gap-4">
      {questions.map((question, at) => (
        <QuestionFields
          key={question.id}
          question={question}
          onChange={(changes, field) => put(at, changes, field && `${question.id}.${field}`)}
          onRemove={() => {
            const left = questions.toSpliced(at, 1);
            onChange(left.length === 0 ? undefined : left);
          }}
        />
      ))}
      <Button
        className="self-start"
        onClick={() =>
          onChange([
            ...questions,
            { id: asId(nanoid(12)), ask: 'How does it feel, 0 to 10?', ...FRESH.score },
          ])
        }
      >
        <Plus aria-hidden size={16} /> {addWords}
      </Button>
    </div>
  );
}

interface QuestionFieldsProps {
  readonly question: Question;
  readonly onChange: (changes: Partial<Question>, field?: string) => void;
  readonly onRemove: () => void;
}

function QuestionFields({ question, onChange, onRemove }: QuestionFieldsProps) {
  const { ask, answer, reactions } = question;
  const named = ask === '' ? answerWords(answer) : ask;
  const canReact = answer.kind !== 'text';
  return (
    <div
      role="group"
      aria-label={`Question: ${named}`}
      className="flex flex-col gap-3 border-l-2 border-line-strong pl-3"
    >
      <div className="flex items-end gap-2">
        <TextField
          className="min-w-0 flex-1"
          label="Asked or looked at"
          longest={LONGEST_TEXT}
          value={ask}
          onCommit={(words) => onChange({ ask: words }, 'ask')}
        />
        <IconButton label={`Remove the question ${named}`} className="mb-0.5" onClick={onRemove}>
          <X aria-hidden size={16} />
        </IconButton>
      </div>
      <div className="grid grid-cols-2 gap-3">
        <Choice
          label="The answer is"
          value={answer.kind}
          options={Object.entries(KIND_WORDS).map(([value, label]) => ({
            value: value as AnswerKind['kind'],
            label,
          }))}
          onChoose={(kind) => {
            if (kind !== answer.kind) onChange(FRESH[kind]);
          }}
        />
        <AnswerFields
          answer={answer}
          onChange={(next) =>
            onChange({ answer: next, reactions: reactionsTo(next, question) }, 'answer')
          }
        />
      </div>
      {reactions.map((reaction, at) => (
        <ReactionLine
          key={at}
          answer={answer}
          reaction={reaction}
          onChange={(next, field) =>
            onChange({ reactions: reactions.with(at, next) }, field && `${field}.${at}`)
          }
          onRemove={() => onChange({ reactions: reactions.toSpliced(at, 1) })}
        />
      ))}
      {canReact && (
        <Button
          className="self-start"
          onClick={() => onChange({ reactions: [...reactions, freshReaction(answer)] })}
        >
          <Plus aria-hidden size={16} /> What is done at an answer
        </Button>
      )}
    </div>
  );
}

/** What is done at an answer goes along when the answer gets another word, and goes when there is no such answer. */
function reactionsTo(next: AnswerKind, { answer, reactions }: Question): readonly Reaction[] {
  if (next.kind !== 'choice' || answer.kind !== 'choice') return reactions;
  const isRenamed = next.of.length === answer.of.length;
  return reactions.flatMap((reaction): Reaction[] => {
    const { at = '' } = reaction;
    if (next.of.includes(at)) return [reaction];
    const now = isRenamed ? next.of[answer.of.indexOf(at)] : undefined;
    return now === undefined ? [] : [{ ...reaction, at: now }];
  });
}

function freshReaction(answer: AnswerKind): Reaction {
  switch (answer.kind) {
    case 'yes-no':
      return { at: 'yes', response: 'stop' };
    case 'choice':
      return { at: answer.of[0] ?? '', response: 'lightly' };
    case 'sign':
      return { from: 2, response: 'lightly' };
    case 'score':
      return { from: 7, response: 'off' };
    case 'number':
    case 'text':
      return { from: 0, response: 'lightly' };
  }
}

interface AnswerFieldsProps {
  readonly answer: AnswerKind;
  readonly onChange: (answer: AnswerKind) => void;
}

function AnswerFields({ answer, onChange }: AnswerFieldsProps) {
  switch (answer.kind) {
    case 'sign':
      return (
        <Choice
          label="Which sign"
          value={answer.sign}
          options={Object.entries(SIGNS).map(([value, label]) => ({ value: value as Sign, label }))}
          onChoose={(sign) => onChange({ kind: 'sign', sign })}
        />
      );
    case 'choice':
      return (
        <TextField
          label="Which ones"
          hint="with commas between"
          commitOn="leaving"
          value={answer.of.join(', ')}
          onCommit={(typed) => {
            const of = [...new Set(typed.split(',').map((each) => each.trim()))].filter(
              (each) => each !== '',
            );
            if (of.length < 2) return Promise.resolve('At least two, with a comma between.');
            onChange({ kind: 'choice', of });
            return undefined;
          }}
        />
      );
    case 'number':
      return (
        <TextField
          label="Unit"
          needed
          longest={LONGEST_UNIT}
          value={answer.unit}
          onCommit={(unit) => onChange({ kind: 'number', unit })}
        />
      );
    case 'score':
    case 'yes-no':
    case 'text':
      return <span />;
  }
}

interface ReactionLineProps {
  readonly answer: AnswerKind;
  readonly reaction: Reaction;
  readonly onChange: (reaction: Reaction, field?: string) => void;
  readonly onRemove: () => void;
}

function ReactionLine({ answer, reaction, onChange, onRemove }: ReactionLineProps) {
  const { response, atMostMinutes } = reaction;
  return (
    <div className="flex flex-wrap items-end gap-2">
      <Threshold answer={answer} reaction={reaction} onChange={onChange} />
      <Choice
        className="w-32"
        label="is done"
        value={response}
        options={Object.entries(RESPONSES).map(([value, label]) => ({
          value: value as Response,
          label,
        }))}
        onChoose={(next) =>
          onChange({
            ...reaction,
            response: next,
            atMostMinutes: next === 'wait' ? (atMostMinutes ?? 5) : undefined,
          })
        }
      />
      {response === 'wait' && (
        <NumberField
          className="w-28"
          label="until none, at most"
          unit="min"
          parse={parseMinutes}
          check={within(LIMITS.capMinutes)}
          value={atMostMinutes}
          onClear="needed"
          onCommit={(minutes) => onChange({ ...reaction, atMostMinutes: minutes }, 'atMost')}
        />
      )}
      <IconButton label="Remove this answer" className="mb-0.5" onClick={onRemove}>
        <X aria-hidden size={16} />
      </IconButton>
    </div>
  );
}

function Threshold({ answer, reaction, onChange }: Omit<ReactionLineProps, 'onRemove'>) {
  const { from, at } = reaction;
  if (answer.kind === 'score' || answer.kind === 'number') {
    const isScore = answer.kind === 'score';
    return (
      <NumberField
        className="w-28"
        label="From"
        unit={isScore ? 'of 10' : answer.unit}
        value={from}
        onClear="needed"
        check={isScore ? within(LIMITS.layerScore) : undefined}
        onCommit={(value) => onChange({ ...reaction, from: value }, 'from')}
      />
    );
  }
  const words =
    answer.kind === 'sign'
      ? GRADES
      : answer.kind === 'choice'
        ? answer.of
        : (['yes', 'no'] as const);
  return (
    <Choice
      className="w-28"
      label={answer.kind === 'sign' ? 'From' : 'At'}
      value={answer.kind === 'sign' ? (GRADES[from ?? 0] ?? 'none') : (at ?? '')}
      options={words.map((value) => ({ value, label: value }))}
      onChoose={(value) =>
        onChange(
          answer.kind === 'sign'
            ? { ...reaction, from: GRADES.findIndex((grade) => grade === value) }
            : { ...reaction, at: value },
        )
      }
    />
  );
}
