import type { ZoneId } from '@bienestar/core/zone/zones';

/** A zone as it is drawn. */
export interface ZoneShape {
  readonly zone: ZoneId;
  readonly path: string;
  /** the same on the other side of the figure's middle */
  readonly mirrored?: ZoneId;
  /** where its number stands */
  readonly at: readonly [x: number, y: number];
}

/** A figure with its zones, and what is drawn of it without being one. */
export interface ZoneFigure {
  readonly name: string;
  /** seen from the front, so that the client's left is to the right */
  readonly facing: boolean;
  readonly width: number;
  readonly viewBox: string;
  readonly outline: readonly string[];
  readonly shapes: readonly ZoneShape[];
}

const FACE: ZoneFigure = {
  name: 'Face',
  facing: true,
  width: 220,
  viewBox: '0 0 220 334',
  outline: [
    'M72,112 C76,106 88,106 92,112 M128,112 C132,106 144,106 148,112',
    'M98,176 C106,182 114,182 122,176',
  ],
  shapes: [
    {
      zone: 'scalp',
      path: 'M38,100 C30,34 74,6 110,6 C146,6 190,34 182,100 C172,54 146,40 110,40 C74,40 48,54 38,100 Z',
      at: [110, 24],
    },
    {
      zone: 'forehead',
      path: 'M49,94 C57,52 84,43 110,43 C136,43 163,52 171,94 C152,84 132,88 119,95 L101,95 C88,88 68,84 49,94 Z',
      at: [110, 72],
    },
    {
      zone: 'eye-contour',
      path: 'M56,112 C60,96 92,94 99,112 C94,128 62,130 56,112 Z M164,112 C160,96 128,94 121,112 C126,128 158,130 164,112 Z',
      at: [77, 121],
    },
    {
      zone: 'nose',
      path: 'M103,98 L117,98 L127,148 C128,160 92,160 93,148 Z',
      at: [110, 138],
    },
    {
      zone: 'cheeks',
      path: 'M45,104 C49,104 51,107 53,113 C58,129 76,133 91,126 L89,150 C87,164 79,172 72,186 C54,166 45,138 45,104 Z M175,104 C171,104 169,107 167,113 C162,129 144,133 129,126 L131,150 C133,164 141,172 148,186 C166,166 175,138 175,104 Z',
      at: [66, 152],
    },
    {
      zone: 'perioral',
      path: 'M93,163 C101,161 119,161 127,163 C136,170 138,180 133,189 C124,197 96,197 87,189 C82,180 84,170 93,163 Z',
      at: [110, 191],
    },
    {
      zone: 'chin',
      path: 'M91,199 C99,203 121,203 129,199 C131,214 124,238 110,242 C96,238 89,214 91,199 Z',
      at: [110, 222],
    },
    {
      zone: 'jawline',
      path: 'M48,158 C53,178 63,190 73,190 L84,194 C87,206 88,224 98,240 C71,228 53,196 48,158 Z M172,158 C167,178 157,190 147,190 L136,194 C133,206 132,224 122,240 C149,228 167,196 172,158 Z',
      at: [74, 207],
    },
    {
      zone: 'neck-front',
      path: 'M82,238 C94,250 126,250 138,238 L142,274 C128,284 92,284 78,274 Z',
      at: [110, 266],
    },
    {
      zone: 'decollete',
      path: 'M78,277 C58,287 30,292 16,298 L16,328 L204,328 L204,298 C190,292 162,287 142,277 C128,287 92,287 78,277 Z',
      at: [110, 311],
    },
  ],
};

const LIMBS = (thighFrom: number): readonly ZoneShape[] => [
  {
    zone: 'upper-arm-left',
    mirrored: 'upper-arm-right',
    path: 'M48,50 C40,50 35,56 34,64 L29,104 L43,107 L51,70 Z',
    at: [39, 82],
  },
  {
    zone: 'forearm-left',
    mirrored: 'forearm-right',
    path: 'M29,107 L43,110 L37,152 L25,150 Z',
    at: [33, 133],
  },
  {
    zone: 'hand-left',
    mirrored: 'hand-right',
    path: 'M25,153 L37,155 C38,166 34,178 28,178 C21,178 22,164 25,153 Z',
    at: [30, 168],
  },
  {
    zone: 'thigh-left',
    mirrored: 'thigh-right',
    path: `M52,${thighFrom} L79,${thighFrom} L77,224 L57,224 Z`,
    at: [66, (thighFrom + 228) / 2],
  },
  {
    zone: 'lower-leg-left',
    mirrored: 'lower-leg-right',
    path: 'M57,227 L77,227 C78,250 73,280 72,300 L61,300 C57,276 55,250 57,227 Z',
    at: [66, 262],
  },
  {
    zone: 'foot-left',
    mirrored: 'foot-right',
    path: 'M61,303 L72,303 C74,312 76,320 68,322 L52,322 C50,316 58,312 61,303 Z',
    at: [64, 315],
  },
];

const HEAD = 'M80,6 C92,6 95,18 94,26 C93,34 88,40 80,40 C72,40 67,34 66,26 C65,18 68,6 80,6 Z';

const FRONT: ZoneFigure = {
  name: 'Body, front',
  facing: true,
  width: 160,
  viewBox: '0 0 160 328',
  outline: [HEAD],
  shapes: [
    {
      zone: 'chest',
      path: 'M53,62 L107,62 L105,102 C96,106 64,106 55,102 Z',
      at: [80, 86],
    },
    {
      zone: 'abdomen',
      path: 'M55,105 C64,109 96,109 105,105 L108,150 L52,150 Z',
      at: [80, 130],
    },
    ...LIMBS(153),
  ],
};

const BACK: ZoneFigure = {
  name: 'Body, back',
  facing: false,
  width: 160,
  viewBox: '0 0 160 328',
  outline: [HEAD],
  shapes: [
    { zone: 'neck-back', path: 'M71,40 L89,40 L92,50 L68,50 Z', at: [80, 47] },
    { zone: 'back', path: 'M53,53 L107,53 L105,104 L107,142 L53,142 L55,104 Z', at: [80, 98] },
    {
      zone: 'buttock-left',
      mirrored: 'buttock-right',
      path: 'M52,145 L79,145 L79,176 C70,180 56,178 52,174 Z',
      at: [66, 162],
    },
    ...LIMBS(179),
  ],
};

/** The whole of a client, in large zones. */
export const FIGURES: readonly ZoneFigure[] = [FACE, FRONT, BACK];
