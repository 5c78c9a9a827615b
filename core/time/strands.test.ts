import { describe, expect, it } from 'vitest';
import { minutes, protocol, settings, step, valueOf } from '../testing/sample';
import { chanceBeyond } from './distribution';
import { scheduleOf } from './schedule';
import { strandsOf, type Segment } from './strands';
import { tailOf } from './tail';

const mask = step('mask', minutes(12), { hands: 'free', capMinutes: 10 });
const strands = strandsOf(
  valueOf(
    scheduleOf(
      protocol([
        step('set-up', minutes(5), { stretch: 'set-up', by: 'assistant' }),
        step('cleanse', minutes(4)),
        mask,
        step('soak', minutes(2), { meanwhileOf: mask.id, by: 'assistant' }),
        step('massage', minutes(7), { meanwhileOf: mask.id }),
        step('finish', minutes(3), { hands: 'watching' }),
      ]),
      'returning',
      settings,
    ),
  ),
);
const said = (pieces: readonly Segment[]): string[] =>
  pieces.map((piece) => `${piece.from}-${piece.to} ${piece.name} ${piece.mark}`);

describe('strands of the ribbon', () => {
  it('leave no gap in the therapist’s hands', () => {
    expect(said(strands.hands.therapist)).toEqual([
      '0-5 free free',
      '5-9 cleanse hands-on',
      '9-11 mask free',
      '11-18 massage hands-on',
      '18-21 mask free',
      '21-24 finish watching',
    ]);
  });

  it('show the assistant only where there is work', () => {
    expect(said(strands.hands.assistant)).toEqual(['0-5 set-up hands-on', '9-11 soak hands-on']);
  });

  it('lay what is done meanwhile beside its step, and the visit on the client', () => {
    expect(said(strands.client)).toEqual([
      '5-9 cleanse hands-on',
      '9-21 mask free',
      '21-24 finish watching',
    ]);
    expect(said(strands.meanwhile)).toEqual(['9-11 soak hands-on', '11-18 massage hands-on']);
    expect(strands.room).toEqual([
      { stretch: 'set-up', from: 0, to: 5 },
      { stretch: 'visit', from: 5, to: 24 },
    ]);
    expect(strands.end).toBe(24);
  });

  it('draw the cap where the contact time must end', () => {
    expect(strands.caps).toEqual([
      { stepId: mask.id, at: 19, capMinutes: 10, chancePast: 1, passed: false },
    ]);
  });
});

describe('the tail of the ribbon', () => {
  it('peaks near the median and leaves out less than one visit in a hundred', () => {
    const schedule = valueOf(
      scheduleOf(
        protocol([step('talk', minutes(5, 8, 15)), step('massage', minutes(18, 20, 26))]),
        'first',
        settings,
      ),
    );
    const tail = tailOf(schedule.roomTime);
    const peak = tail.points.find((point) => point.height === 1);
    expect(Math.abs((peak?.minutes ?? 0) - schedule.room.p50)).toBeLessThan(1);
    expect(chanceBeyond(schedule.roomTime, tail.to)).toBeLessThan(0.01);
    expect(tail.points).toHaveLength(Math.round((tail.to - tail.from) * 10) + 1);
  });
});
