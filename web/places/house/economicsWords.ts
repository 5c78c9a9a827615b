/** What each figure of the house is, in a sentence, with a sensible start. */
export const ECONOMICS = {
  vat: 'The tax in your prices; ask your accountant which rate is yours.',
  pay: 'What the hour is paid before any employer’s cost.',
  onCost:
    'Social security, holidays and insurance on top of pay; often 20 to 35 %. Begin with 24 %.',
  bookableShare:
    'Of paid hours, those in which a guest can be treated: without breaks, meetings and laundry. Begin with 75 %.',
  fixedPerMonth:
    'Rent, heating, light, cleaning, insurance and software of a month, all rooms together.',
  openDays: 'Days of a month on which guests come; six days a week are 26.',
  openHours: 'Hours of a day in which a room can be booked.',
  occupancy:
    'The share of open hours that you plan to fill. Begin with 60 %; full houses reach 80 %.',
  commission: 'What therapists or booking services take of the net price. None is 0 %.',
  cardFee: 'What the card company takes of the price with tax; often 1 to 2 %.',
  targetMargin: 'What is to be left of the net price after all costs. Begin with 30 %.',
  perRoomHour:
    'What an hour of a room should bring towards rent and profit; rent and profit of a month by planned hours.',
  everyMinor: 'Prices end alike every so much: each 5.00, or each 10.00.',
  endings: 'The endings allowed within that: 0, or 0 5 9.',
  orderCost:
    'Writing, receiving and shelving one order, mostly working time; often a quarter of an hour.',
  holdingRate:
    'Money that lies on the shelf, room and losses, a year, as a share of its value. Begin with 20 %.',
  countEvery: 'How long a place on the shelf may go uncounted. Begin with 28 days.',
  slotGrid: 'Slots are rounded up to this, as in your book.',
  slotQuantile: 'Of ten visits, how many must end within the slot; nine is usual.',
  charge:
    'Whether a service pays for the minutes at the guest, or for the whole slot that its therapist is kept.',
} as const;
