import type { ComponentType } from 'react';
import { PriceEndingsFields } from '../menu/PriceEndingsFields';
import { PeoplePanel } from './PeoplePanel';
import { RoomsPanel } from './RoomsPanel';
import { SettingField, SettingFields } from './SettingField';
import { LocaleChoice } from './LocaleChoice';
import { TimeZoneChoice } from './TimeZoneChoice';

/** One question of the guided set-up. */
interface Question {
  readonly ask: string;
  /** what it is for, in a sentence */
  readonly why: string;
  readonly Answer: ComponentType;
}

/** The ten questions, in the order in which an owner can answer them. */
export const QUESTIONS: readonly Question[] = [
  {
    ask: 'Where are we, and in which money?',
    why: 'Every price carries the tax of its place; every figure is in this money.',
    Answer: () => (
      <>
        <SettingField of="name" />
        <TimeZoneChoice />
        <LocaleChoice />
        <SettingFields of={['currency', 'vat']} />
      </>
    ),
  },
  {
    ask: 'Which rooms can be booked?',
    why: 'What the house costs is shared among its rooms; wet rooms are told apart from dry ones.',
    Answer: RoomsPanel,
  },
  {
    ask: 'Who works here, and for how much?',
    why: 'The hands are the dearest part of a treatment: a service costs the mean of those who perform it. Hours that are agreed are owed also when nobody comes.',
    Answer: PeoplePanel,
  },
  {
    ask: 'What comes on top of pay?',
    why: 'An hour costs the house more than the hour that is paid out.',
    Answer: () => <SettingField of="onCost" />,
  },
  {
    ask: 'How much of the paid time can be booked?',
    why: 'The minutes at guests must pay for all the others.',
    Answer: () => <SettingFields of={['bookableShare', 'therapistCharge']} />,
  },
  {
    ask: 'What do the rooms cost a month?',
    why: 'They cost the same whether guests come or not.',
    Answer: () => <SettingField of="fixedPerMonth" />,
  },
  {
    ask: 'When are you open?',
    why: 'A room earns only while it can be booked.',
    Answer: () => <SettingFields of={['openDays', 'openHours']} />,
  },
  {
    ask: 'How full do you plan to be?',
    why: 'The hours that are filled pay for those that stay empty.',
    Answer: () => <SettingField of="occupancy" />,
  },
  {
    ask: 'Who takes a share of the price?',
    why: 'It is gone before the price pays for anything.',
    Answer: () => <SettingFields of={['commission', 'cardFee']} />,
  },
  {
    ask: 'What is to be left, and how do prices end?',
    why: 'What is left of a price makes the next good year; how it ends is a habit of the house.',
    Answer: () => (
      <>
        <SettingFields of={['targetMargin', 'perRoomHour']} />
        <PriceEndingsFields />
      </>
    ),
  },
];
