import { fireEvent } from '@testing-library/dom';
import { describe, expect, it } from 'vitest';
import { asId, type QuestionId } from '@bienestar/core/house/ids';
import type { AnswerKind, Question, Reaction } from '@bienestar/core/house/question';
import type { Waiting } from '@bienestar/core/run/standing';
import { eachAtTheApp } from '../../testing/eachAtTheApp';

/* What is asked before a visit goes on: one tap where the rule lets it, and what it says is said. */

const person = eachAtTheApp();

const question = (
  answer: AnswerKind,
  reactions: readonly Reaction[] = [],
  ask = 'How warm is it?',
): Question => ({ id: asId<QuestionId>('q'), ask, answer, reactions });

const NOW = Date.parse('2026-11-25T11:00:00Z');

/** Asks, and keeps what is answered. */
async function ask(of: Question, waiting?: Waiting, now = NOW): Promise<readonly object[]> {
  const given: object[] = [];
  await person.openApp('/', async () => {
    const { Gate } = await import('./Gate');
    return [
      {
        path: '*',
        element: (
          <Gate question={of} waiting={waiting} now={now} onAnswer={(one) => given.push(one)} />
        ),
      },
    ];
  });
  await person.element('[aria-label="Asked"]');
  return given;
}

const answers = (): string[] =>
  person.all('[aria-label="Answers"] button').map(({ textContent }) => textContent);
const offered = (): string[] => person.all('button').map(({ textContent }) => textContent);

const SCORE = question({ kind: 'score' }, [
  { from: 4, response: 'lightly' },
  { from: 7, response: 'wait' },
  { from: 9, response: 'off' },
]);

describe('an answer', () => {
  it('of a score is a tap from 0 to 10, and goes on where no rule says otherwise', async () => {
    const given = await ask(SCORE);
    expect(answers()).toEqual(Array.from({ length: 11 }, (_, at) => String(at)));
    await person.click('button', '3');
    expect(given).toEqual([{ answer: 3 }]);
  });

  it('at which something must come off is not asked about again', async () => {
    const given = await ask(SCORE);
    await person.click('button', '9');
    expect(given).toEqual([{ answer: 9 }]);
  });

  it('at which the house says more is told, and done as it says by one more tap', async () => {
    const given = await ask(SCORE);
    await person.click('button', '5');
    await person.sees('Said: 5. The house says: Go on, lightly');
    expect(given).toEqual([]);
    await person.click('button', 'Go on, lightly');
    expect(given).toEqual([{ answer: 5 }]);
  });

  it('may be met more strictly than the rule says, never more mildly by a tap', async () => {
    const given = await ask(SCORE);
    await person.click('button', '7');
    await person.sees('The house says: Wait, then ask again');
    expect(offered().filter((words) => ['Go on', 'Go on, lightly'].includes(words))).toEqual([]);
    expect(offered()).toEqual(
      expect.arrayContaining(['Off now', 'Neutralise now', 'Stop, and refer']),
    );
    await person.click('button', 'Stop, and refer');
    expect(given).toEqual([{ answer: 7, response: 'stop' }]);
  });

  it('can be another one before anything is done', async () => {
    const given = await ask(SCORE);
    await person.click('button', '7');
    await person.click('button', 'Another answer');
    await person.click('button', '0');
    expect(given).toEqual([{ answer: 0 }]);
  });

  it('is gone on from all the same only by holding a reason for a second', async () => {
    const given = await ask(SCORE);
    await person.click('button', '5');
    const reason = person
      .all('button')
      .find(({ textContent }) => textContent.startsWith('it fades at once'));
    if (!reason) throw new Error('no reason');
    fireEvent.pointerDown(reason);
    await person.sees('keep holding');
    fireEvent.pointerUp(reason);
    await person.seesNot('keep holding');
    expect(given).toEqual([]);
    fireEvent.pointerDown(reason);
    await person.waitFor(() => given.length > 0, 'it was held');
    expect(given).toEqual([{ answer: 5, response: 'go-on', reason: 'it fades at once' }]);
  });

  it('is held by a key, too, and let go when the key is', async () => {
    const given = await ask(SCORE);
    await person.click('button', '5');
    const reason = person
      .all('button')
      .find(({ textContent }) => textContent.startsWith('the lead says so'));
    if (!reason) throw new Error('no reason');
    fireEvent.keyDown(reason, { key: 'Enter' });
    await person.sees('keep holding');
    fireEvent.keyUp(reason, { key: 'Enter' });
    await person.seesNot('keep holding');
    expect(given).toEqual([]);
  });
});

describe('what is asked', () => {
  it('is how much of a sign is seen, in words beside the picture', async () => {
    const given = await ask(question({ kind: 'sign', sign: 'redness' }, [], ''));
    await person.sees('How much redness?');
    expect(answers()).toEqual(['none', 'slight', 'clear', 'marked']);
    const spots = person
      .all('[aria-label="Answers"] button')
      .map((button) => button.querySelectorAll('circle').length - 1);
    expect(spots).toEqual([0, 3, 6, 9]);
    await person.click('button', 'slight');
    expect(given).toEqual([{ answer: 1 }]);
  });

  it.each<readonly [string, AnswerKind, readonly string[], string, unknown]>([
    ['yes or no', { kind: 'yes-no' }, ['no', 'yes'], 'yes', 'yes'],
    ['one of some', { kind: 'choice', of: ['dry', 'damp'] }, ['dry', 'damp'], 'damp', 'damp'],
    [
      'words that are written down later',
      { kind: 'text' },
      ['nothing to say', 'as last time', 'written down afterwards'],
      'written down afterwards',
      'to be written down afterwards',
    ],
  ])('is %s', async (_what, answer, words, tapped, known) => {
    const given = await ask(question(answer));
    expect(answers()).toEqual(words);
    await person.click('button', tapped);
    expect(given).toEqual([{ answer: known }]);
  });

  it('is a number by taps, since nothing is typed with gloves on', async () => {
    const given = await ask(question({ kind: 'number', unit: '°C' }));
    for (const by of ['+10', '+10', '+10', '+10', '−1', '−1']) await person.click('button', by);
    expect(person.all('[aria-label="The number"]')[0]?.textContent).toBe('38 °C');
    await person.click('button', 'That is it');
    expect(given).toEqual([{ answer: 38 }]);
  });

  it('goes by the rule of a word', async () => {
    const given = await ask(question({ kind: 'yes-no' }, [{ at: 'yes', response: 'stop' }]));
    await person.click('button', 'yes');
    expect(given).toEqual([{ answer: 'yes' }]);
  });
});

describe('a wait', () => {
  const waiting = { until: NOW + 90_000 } as unknown as Waiting;

  it('says how long it is at most', async () => {
    await ask(SCORE, waiting);
    await person.sees(/Wait 1:30 more at most, then ask again\./);
  });

  it('that is over says what comes then', async () => {
    await ask(SCORE, waiting, NOW + 91_000);
    await person.sees('The wait is over: what has not gone by now comes off.');
  });
});
