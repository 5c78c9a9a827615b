import { useState } from 'react';
import { describe, expect, it } from 'vitest';
import { asId, type QuestionId } from '@bienestar/core/house/ids';
import type { AnswerKind, Question, Reaction } from '@bienestar/core/house/question';
import { eachAtTheApp } from '../../testing/eachAtTheApp';

/* What is asked, and what is done at which answer, by itself. */

const person = eachAtTheApp();

const question = (answer: AnswerKind, reactions: readonly Reaction[] = []): Question => ({
  id: asId<QuestionId>('q'),
  ask: 'How is it?',
  answer,
  reactions,
});

/** The editor of these questions; answers what they have become. */
async function open(
  ...questions: readonly Question[]
): Promise<() => readonly Question[] | undefined> {
  let now: readonly Question[] | undefined = questions;
  await person.openApp('/', async () => {
    const { QuestionsEditor } = await import('./inspector/QuestionsEditor');
    function Kept() {
      const [kept, setKept] = useState<readonly Question[]>(questions);
      return (
        <QuestionsEditor
          questions={kept}
          addWords="Ask something"
          onChange={(next) => {
            now = next;
            setKept(next ?? []);
          }}
        />
      );
    }
    return [{ path: '*', element: <Kept /> }];
  });
  await person.find('button', 'Ask something');
  return () => now;
}

describe('a question', () => {
  it('begins as a score, is asked in its own words, and goes again', async () => {
    const now = await open();
    await person.click('button', 'Ask something');
    expect(now()).toMatchObject([{ ask: 'How does it feel, 0 to 10?', answer: { kind: 'score' } }]);
    await person.fill('Asked or looked at', 'Warm?');
    expect(now()?.[0]?.ask).toBe('Warm?');
    await person.click('button', 'Remove the question Warm?');
    expect(now()).toBeUndefined();
  });

  it.each<readonly [string, Partial<Question>]>([
    ['a sign, in grades', { answer: { kind: 'sign', sign: 'redness' } }],
    ['yes or no', { answer: { kind: 'yes-no' }, reactions: [{ at: 'yes', response: 'off' }] }],
    ['one of several', { answer: { kind: 'choice', of: ['good', 'too much'] }, reactions: [] }],
    ['a number', { answer: { kind: 'number', unit: 'cm' }, reactions: [] }],
    ['in words', { answer: { kind: 'text' }, reactions: [] }],
  ])('is answered by %s, with what is usually done then', async (kind, becomes) => {
    const now = await open(question({ kind: 'score' }, [{ from: 9, response: 'stop' }]));
    await person.choose('The answer is', kind);
    expect(now()?.[0]).toMatchObject(becomes);
  });

  it('keeps what is done when the same kind is chosen again', async () => {
    const now = await open(question({ kind: 'score' }, [{ from: 9, response: 'stop' }]));
    await person.choose('The answer is', 'a score from 0 to 10');
    expect(now()?.[0]?.reactions).toEqual([{ from: 9, response: 'stop' }]);
  });

  it('of which nothing but words is known has nothing that is done at an answer', async () => {
    await open(question({ kind: 'text' }));
    expect(person.all('button').map(({ textContent }) => textContent.trim())).not.toContain(
      'What is done at an answer',
    );
  });
});

describe('what is done at an answer', () => {
  it('is from a score up, within what a score can be', async () => {
    const now = await open(question({ kind: 'score' }));
    await person.click('button', 'What is done at an answer');
    expect(now()?.[0]?.reactions).toEqual([{ from: 7, response: 'off' }]);
    await person.fill('From', '11');
    await person.sees('Must be');
    expect(now()?.[0]?.reactions[0]?.from).toBe(7);
    await person.fill('From', '8');
    expect(now()?.[0]?.reactions[0]?.from).toBe(8);
  });

  it('is a wait of at most some minutes, which go when it is no wait any more', async () => {
    const now = await open(question({ kind: 'score' }, [{ from: 5, response: 'lightly' }]));
    await person.choose('is done', 'wait');
    expect(now()?.[0]?.reactions).toEqual([{ from: 5, response: 'wait', atMostMinutes: 5 }]);
    await person.fill('until none, at most', '3');
    expect(now()?.[0]?.reactions[0]?.atMostMinutes).toBe(3);
    await person.choose('is done', 'stop');
    expect(now()?.[0]?.reactions[0]).toEqual({
      from: 5,
      response: 'stop',
      atMostMinutes: undefined,
    });
  });

  it('is at a grade, a word, yes or no', async () => {
    const now = await open(
      question({ kind: 'sign', sign: 'redness' }, [{ from: 3, response: 'off' }]),
    );
    await person.choose('From', 'slight');
    expect(now()?.[0]?.reactions[0]?.from).toBe(1);
    await person.choose('Which sign', 'heat');
    expect(now()?.[0]).toMatchObject({
      answer: { sign: 'heat' },
      reactions: [{ from: 1, response: 'off' }],
    });
  });

  it('goes one by one', async () => {
    const now = await open(
      question({ kind: 'yes-no' }, [
        { at: 'yes', response: 'off' },
        { at: 'no', response: 'go-on' },
      ]),
    );
    await person.click('button', 'Remove this answer');
    expect(now()?.[0]?.reactions).toEqual([{ at: 'no', response: 'go-on' }]);
    await person.choose('At', 'yes');
    expect(now()?.[0]?.reactions).toEqual([{ at: 'yes', response: 'go-on' }]);
  });
});

describe('one of several answers', () => {
  const of = (reactions: readonly Reaction[]) =>
    question({ kind: 'choice', of: ['good', 'warm', 'hot'] }, reactions);
  const say = async (words: string): Promise<void> => {
    await person.fill('Which ones', words);
    await person.press('Tab');
  };

  it('are at least two, each once', async () => {
    const now = await open(of([]));
    await say('good');
    await person.sees('At least two, with a comma between.');
    expect(now()?.[0]?.answer).toEqual({ kind: 'choice', of: ['good', 'warm', 'hot'] });
    await say('good, hot, , good ,hot');
    expect(now()?.[0]?.answer).toEqual({ kind: 'choice', of: ['good', 'hot'] });
  });

  it('take along what is done at them when one gets another word', async () => {
    const now = await open(of([{ at: 'hot', response: 'off' }]));
    await say('good, warm, too hot');
    expect(now()?.[0]).toMatchObject({
      answer: { of: ['good', 'warm', 'too hot'] },
      reactions: [{ at: 'too hot', response: 'off' }],
    });
  });

  it('leave nothing done at an answer that is no longer there', async () => {
    const now = await open(
      of([
        { at: 'hot', response: 'off' },
        { at: 'warm', response: 'lightly' },
      ]),
    );
    await say('good, warm');
    expect(now()?.[0]?.reactions).toEqual([{ at: 'warm', response: 'lightly' }]);
  });
});
