import { afterEach, expect, it, vi } from 'vitest';
import type { Alone } from './atApp';
import { changedKeys } from './demoInBrowser';
import { personAtApp, type PersonAtApp } from './personAtApp';
import { cleanup } from './render';

type Part = Parameters<PersonAtApp['written']>[0];

/** Some of a thing, and some of what is in it. */
type Some<T> = T extends object ? { readonly [K in keyof T]?: Some<T[K]> } : T;

/** A form: where it stands, and how one comes to it from there. */
export interface Form {
  readonly at: string;
  /** what is there in the place of the whole app: a form beside a long list comes sooner without it */
  readonly alone?: Alone;
  readonly opened?: (person: PersonAtApp) => Promise<unknown>;
}

async function openForm({ at, alone, opened }: Form): Promise<PersonAtApp> {
  const person = await personAtApp(at, alone);
  await opened?.(person);
  return person;
}

/** Empties the document after each test of a file. */
export function eachInAnEmptyDocument(): void {
  afterEach(() => {
    cleanup();
    vi.unstubAllGlobals();
  });
}

/**
 * Each field writes what is typed into it, by the rules of its part, and nothing else.
 * @param rows label, what is typed, what is otherwise then
 */
export function fieldsWrite<T extends object>(
  part: Part,
  form: Form,
  rows: readonly (readonly [label: string, typed: string, changes: Some<T>])[],
): void {
  it.each(rows)('%s takes %s', async (label, typed, changes) => {
    const person = await openForm(form);
    await person.fill(label, typed);
    await person.press('Tab');
    await expectWritten(person, part, changes);
  });
}

/**
 * Each choice writes what is pressed, and nothing else.
 * @param rows role and name of what is pressed, what is otherwise then
 */
export function pressesWrite<T extends object>(
  part: Part,
  form: Form,
  rows: readonly (readonly [role: string, name: string, changes: Some<T>])[],
): void {
  it.each(rows)('the %s “%s” is pressed', async (role, name, changes) => {
    const person = await openForm(form);
    await person.click(role, name);
    await expectWritten(person, part, changes);
  });
}

/**
 * What a field cannot take is refused at the field in words, kept there, and written nowhere.
 * @param rows label, what is typed, what is said
 */
export function fieldsRefuse(
  form: Form,
  rows: readonly (readonly [label: string, typed: string, says: string])[],
): void {
  it.each(rows)('%s does not take %s', async (label, typed, says) => {
    const person = await openForm(form);
    await person.fill(label, typed);
    await person.press('Tab');
    await person.sees(says);
    expect(await person.valueOf(label)).toBe(typed);
    expect(person.store.getState().queue.writes).toEqual([]);
  });
}

async function expectWritten<T extends object>(
  person: PersonAtApp,
  part: Part,
  changes: Some<T>,
): Promise<void> {
  const written = await person.written<T>(part);
  expect(written.after).toMatchObject(changes);
  expect(changedKeys(written).toSorted()).toEqual(Object.keys(changes).toSorted());
}
