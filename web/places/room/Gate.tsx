import { useState } from 'react';
import {
  GRADES,
  HIGHEST_SCORE,
  type Question,
  type Response,
} from '@bienestar/core/house/question';
import type { Answer } from '@bienestar/core/house/run';
import { FROM_MILDEST, isTakingOff, ruleFor, severity } from '@bienestar/core/run/answers';
import type { Waiting } from '@bienestar/core/run/standing';
import { minutesBetween } from '@bienestar/core/run/runTimes';
import { number } from '../../format/figures';
import { HeldButton } from './HeldButton';
import { KnuckleButton } from './KnuckleButton';
import { answeredWords, askedWords, clockWords, RESPONSE_WORDS } from './roomWords';

/** Why a stronger way is gone than the rule says; said by one tap. */
const REASONS = ['the guest is used to it', 'it fades at once', 'the lead says so'] as const;

interface GateProps {
  readonly question: Question;
  readonly waiting: Waiting | undefined;
  readonly now: number;
  readonly onAnswer: (given: {
    readonly answer: Answer;
    readonly response?: Response;
    readonly reason?: string;
  }) => void;
}

/** What is asked before it goes on. The rule answers at once; nothing lies beside it. */
export function Gate({ question, waiting, now, onAnswer }: GateProps) {
  const [answer, setAnswer] = useState<Answer>();
  const rule = answer === undefined ? undefined : ruleFor(question, answer).response;
  const give = (given: Answer): void => {
    const { response } = ruleFor(question, given);
    /* To go on needs no second tap, and what must come off waits for none. */
    if (response === 'go-on' || isTakingOff(response)) onAnswer({ answer: given });
    else setAnswer(given);
  };
  return (
    <section
      aria-label="Asked"
      className="flex flex-1 flex-col justify-center gap-6 border-l-8 border-palm bg-palm-wash px-6 py-6"
    >
      <p className="font-serif text-4xl">{askedWords(question)}</p>
      {waiting && (
        <p role="status" className="text-xl">
          {now < waiting.until
            ? `Wait ${clockWords(minutesBetween(now, waiting.until))} more at most, then ask again.`
            : 'The wait is over: what has not gone by now comes off.'}
        </p>
      )}
      {answer === undefined || rule === undefined ? (
        <Answers question={question} onGive={give} />
      ) : (
        <>
          <p className="text-2xl">
            Said: <strong>{answeredWords(question, answer)}</strong>. The house says:{' '}
            <strong>{RESPONSE_WORDS[rule]}</strong>
          </p>
          <div className="flex flex-wrap gap-3">
            <KnuckleButton look="main" onClick={() => onAnswer({ answer })}>
              {RESPONSE_WORDS[rule]}
            </KnuckleButton>
            {FROM_MILDEST.filter((each) => severity(each) > severity(rule)).map((response) => (
              <KnuckleButton key={response} onClick={() => onAnswer({ answer, response })}>
                {RESPONSE_WORDS[response]}
              </KnuckleButton>
            ))}
            <KnuckleButton onClick={() => setAnswer(undefined)}>Another answer</KnuckleButton>
          </div>
          <div className="flex flex-wrap items-center gap-3">
            <span className="text-lg">Go on all the same, because</span>
            {REASONS.map((reason) => (
              <HeldButton
                key={reason}
                words={reason}
                onHeld={() => onAnswer({ answer, response: 'go-on', reason })}
              />
            ))}
          </div>
        </>
      )}
    </section>
  );
}

interface AnswersProps {
  readonly question: Question;
  readonly onGive: (answer: Answer) => void;
}

/** The answers, each one tap. */
function Answers({ question, onGive }: AnswersProps) {
  const { answer } = question;
  const buttons = (answers: readonly (readonly [Answer, string])[]) => (
    <div role="group" aria-label="Answers" className="flex flex-wrap gap-3">
      {answers.map(([given, words]) => (
        <KnuckleButton key={words} look="answer" onClick={() => onGive(given)}>
          {words}
        </KnuckleButton>
      ))}
    </div>
  );
  switch (answer.kind) {
    case 'score':
      return buttons(Array.from({ length: HIGHEST_SCORE + 1 }, (_, at) => [at, String(at)]));
    case 'sign':
      return (
        <div role="group" aria-label="Answers" className="flex flex-wrap gap-3">
          {GRADES.map((grade, at) => (
            <KnuckleButton key={grade} look="answer" onClick={() => onGive(at)}>
              <GradeDrawn grade={at} />
              {grade}
            </KnuckleButton>
          ))}
        </div>
      );
    case 'yes-no':
      return buttons([
        ['no', 'no'],
        ['yes', 'yes'],
      ]);
    case 'choice':
      return buttons(answer.of.map((each) => [each, each]));
    case 'number':
      return <NumberAnswer unit={answer.unit} onGive={onGive} />;
    case 'text':
      return buttons([
        ['nothing to say', 'nothing to say'],
        ['as last time', 'as last time'],
        ['to be written down afterwards', 'written down afterwards'],
      ]);
  }
}

const SPOTS = [
  [12, 12],
  [30, 10],
  [22, 22],
  [10, 30],
  [34, 28],
  [22, 36],
  [14, 20],
  [30, 18],
  [32, 38],
] as const;

/** How much of a sign is seen, as skin with so many spots: the word says the same. */
function GradeDrawn({ grade }: { readonly grade: number }) {
  const shown = SPOTS.slice(0, grade * 3);
  return (
    <svg aria-hidden viewBox="0 0 44 44" className="mx-auto mb-1 size-11">
      <circle cx={22} cy={22} r={21} className="fill-sheet" stroke="var(--color-line-strong)" />
      {shown.map(([x, y]) => (
        <circle key={`${x}/${y}`} cx={x} cy={y} r={2 + grade} className="fill-clay" />
      ))}
    </svg>
  );
}

/** A number by taps: nothing is typed with gloves on. */
function NumberAnswer({
  unit,
  onGive,
}: {
  readonly unit: string;
  readonly onGive: (answer: number) => void;
}) {
  const [value, setValue] = useState(0);
  return (
    <div className="flex flex-wrap items-center gap-3">
      {[-10, -1, 1, 10].map((by) => (
        <KnuckleButton key={by} look="answer" onClick={() => setValue(value + by)}>
          {by > 0 ? `+${by}` : `−${-by}`}
        </KnuckleButton>
      ))}
      <output aria-label="The number" className="min-w-24 text-right text-4xl">
        {number(value)} <span className="text-xl text-ink-soft">{unit}</span>
      </output>
      <KnuckleButton look="main" onClick={() => onGive(value)}>
        That is it
      </KnuckleButton>
    </div>
  );
}
