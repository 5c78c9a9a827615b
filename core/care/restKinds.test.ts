import { describe, expect, it } from 'vitest';
import { demo, needFor } from '../../contract/testing/placedDay';
import { restBetween, USUAL_RESTS } from '../house/rests';

describe('kinds of work between which skin rests (K2)', () => {
  it.each([
    ['needle', ['needles']],
    ['acid-returning', ['acid']],
    ['lift', ['heat']],
    ['clay-facial', []],
    ['body-polish', []],
    ['enzyme-facial', ['current']],
    ['express', ['light']],
  ])('of %s are those that it brings to the skin', (serviceId, kinds) => {
    expect([...needFor(serviceId).restKinds]).toEqual(kinds);
  });

  it('of what a blade does are also those of the acid after it', () => {
    const blade = demo.services.find(({ name }) => /blade/i.test(name))!;
    expect([...needFor(blade.id).restKinds]).toContain('blade');
  });

  it('ask for the longest rest of any two, in the order in which they are done', () => {
    const kinds = (...of: ('acid' | 'needles' | 'light' | 'blade')[]) => new Set(of);
    expect(restBetween(USUAL_RESTS, kinds('needles'), kinds('light', 'acid'))?.days).toBe(14);
    expect(restBetween(USUAL_RESTS, kinds('light'), kinds('needles'))).toBeUndefined();
    expect(restBetween([], kinds('needles'), kinds('acid'))).toBeUndefined();
  });
});
