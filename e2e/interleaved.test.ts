import { setTimeout as pause } from 'node:timers/promises';
import type { CDPSession } from 'puppeteer-core';
import { expect, it } from 'vitest';
import type { HouseSnapshot } from '@bienestar/contract/api';
import { diceOf, type Dice } from '../tools/rubbish/dice';
import { freshHouse, ownHouse } from './support/ownHouse';
import { newPerson, type Person } from './support/person';

const PROTOCOL = 'black-sand-clay-facial';
const EDITS_EACH = 250;
const EDITS_BETWEEN_PAUSES = 25;
const SHARE_ELSEWHERE = 0.4;
const SHARE_OF_LOST_ANSWERS = 0.25;

it('500 edits from two windows that also move steps, with answers lost: each is there, or was shown', async () => {
  await freshHouse();
  const before = await stepsInHouse();
  const windows = [await newPerson(), await newPerson()] as const;
  const losing: CDPSession[] = [];
  for (const person of windows) {
    await person.goTo(`/protocols/${PROTOCOL}/${before[0]?.id ?? ''}`);
    await person.find('textbox', 'Step');
    losing.push(await loseAnswers(person, diceOf(windows.indexOf(person) + 1)));
  }
  const ownOf = (writer: number) => before.filter((_step, at) => at % 2 === writer);
  const written = await Promise.all(
    windows.map((person, writer) =>
      write(
        person,
        'AB'[writer] ?? '',
        ownOf(writer).map(({ id }) => id),
        diceOf(writer + 7),
      ),
    ),
  );
  await Promise.all(windows.map(atRest));
  const after = await stepsInHouse();
  expect(after.map(({ id }) => id).toSorted()).toEqual(before.map(({ id }) => id).toSorted());
  const names = new Map(after.map(({ id, name }) => [id, name]));
  for (const { named } of written) {
    expect(Object.fromEntries(names)).toMatchObject(Object.fromEntries(named));
  }
  const [one, other] = written.map(({ settled }) => settled);
  expect((one ?? 0) + (other ?? 0), 'both wrote at the same time').toBeGreaterThan(2);
  expect(after.map(({ id }) => id)).not.toEqual(before.map(({ id }) => id));
  for (const session of losing) await session.detach();
  for (const person of windows) await person.close();
}, 180_000);

async function stepsInHouse(): Promise<readonly { readonly id: string; readonly name: string }[]> {
  const { protocols } = (await (
    await fetch(`${ownHouse().url}/api/house`)
  ).json()) as HouseSnapshot;
  return protocols.find(({ id }) => id === PROTOCOL)?.steps ?? [];
}

/** Lets every write through, and now and then loses what was answered. */
async function loseAnswers({ page }: Person, dice: Dice): Promise<CDPSession> {
  const cdp = await page.createCDPSession();
  await cdp.send('Fetch.enable', {
    patterns: [{ urlPattern: '*/api/protocols/*', requestStage: 'Response' }],
  });
  cdp.on('Fetch.requestPaused', ({ requestId }) => {
    const answer = dice.chance(SHARE_OF_LOST_ANSWERS)
      ? cdp.send('Fetch.failRequest', { requestId, errorReason: 'ConnectionReset' })
      : cdp.send('Fetch.continueRequest', { requestId });
    answer.catch(() => undefined);
  });
  return cdp;
}

interface Written {
  /** what each step was called last */
  readonly named: ReadonlyMap<string, string>;
  /** how often somebody else was found to have written, too */
  readonly settled: number;
}

/** Renames steps of one's own and moves any, in bursts with pauses in which they are saved. */
async function write(
  person: Person,
  who: string,
  own: readonly string[],
  dice: Dice,
): Promise<Written> {
  const named = new Map<string, string>();
  let settled = 0;
  let step = dice.oneOf(own);
  for (let edit = 0; edit < EDITS_EACH;) {
    /* Who types goes on in the same field for some letters. */
    if (dice.chance(SHARE_ELSEWHERE)) step = dice.oneOf(own);
    const change = dice.chance(0.3)
      ? ({ to: 'move', arrow: dice.oneOf(['ArrowUp', 'ArrowDown']) } as const)
      : ({ to: 'rename', name: `${who}${edit}` } as const);
    if (await keptBoth(person)) settled += 1;
    const isDone = await edited(person, step, change);
    if (isDone && change.to === 'rename') named.set(step, change.name);
    if (isDone) edit += 1;
    else await pause(20);
    if (isDone && edit % EDITS_BETWEEN_PAUSES === 0) await pause(500 + dice.below(400));
  }
  return { named, settled };
}

type Change =
  | { readonly to: 'move'; readonly arrow: string }
  | { readonly to: 'rename'; readonly name: string };

/** Makes one change, all of it in the page, as fast as it takes them; says whether it could. */
function edited({ page }: Person, id: string, made: Change): Promise<boolean> {
  return page.evaluate(
    async (step, change) => {
      const row = (): HTMLElement | null =>
        document.querySelector<HTMLElement>(`[data-step="${step}"]`);
      const isAsked = (): boolean => document.querySelector('[role=dialog]') !== null;
      if (isAsked() || !row()) return false;
      row()?.click();
      if (change.to === 'move') {
        row()?.focus();
        row()?.dispatchEvent(
          new KeyboardEvent('keydown', {
            key: change.arrow,
            altKey: true,
            bubbles: true,
            cancelable: true,
          }),
        );
        return true;
      }
      for (let tries = 0; !location.pathname.endsWith(`/${step}`); tries += 1) {
        if (tries > 2_000) throw new Error(`The step ${step} is not in hand.`);
        await new Promise((resolve) => void setTimeout(resolve, 5));
      }
      const field = document.querySelector<HTMLInputElement>('[aria-label="Step in hand"] input');
      const isThere = row()?.innerText.includes(field?.value ?? '');
      if (!field || isThere !== true || isAsked()) return false;
      Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')?.set?.call(
        field,
        change.name,
      );
      field.dispatchEvent(new Event('input', { bubbles: true }));
      return true;
    },
    id,
    made,
  );
}

/** Chooses both where somebody else has written; each change was shown by then. */
async function keptBoth({ page }: Person): Promise<boolean> {
  return page.evaluate(() => {
    const buttons = [...document.querySelectorAll<HTMLElement>('[role=dialog] button')];
    const both = buttons.find((button) => button.textContent === 'Keep both');
    both?.click();
    return both !== undefined;
  });
}

/** Until all of this window is saved, and nothing is left to choose. */
async function atRest(person: Person): Promise<void> {
  let quiet = 0;
  await person.waitFor(async () => {
    if (await keptBoth(person)) quiet = 0;
    const isSaved = await person.page.evaluate(() =>
      [...document.querySelectorAll('[role=status]')].some((each) => each.textContent === 'saved'),
    );
    quiet = isSaved ? quiet + 1 : 0;
    return quiet > 20;
  }, 'everything is saved');
}
