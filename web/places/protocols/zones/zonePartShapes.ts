import type { ZoneFigure, ZoneShape } from './zoneShapes';

/* The finest zones, drawn large enough for a finger. */

const DECOLLETE =
  'M78,277 C58,287 30,292 16,298 L16,328 L204,328 L204,298 C190,292 162,287 142,277 C128,287 92,287 78,277 Z';

const FACE_IN_PARTS: ZoneFigure = {
  name: 'Face in parts',
  facing: true,
  width: 220,
  viewBox: '26 4 168 298',
  outline: ['M76,112 C82,109 88,109 92,112', 'M128,112 C132,109 138,109 144,112'],
  shapes: [
    {
      zone: 'scalp-top',
      path: 'M36,84 C34,34 74,6 110,6 C146,6 186,34 184,84 C176,44 146,24 110,24 C74,24 44,44 36,84 Z',
      at: [110, 16],
    },
    {
      zone: 'scalp-edge',
      path: 'M38,100 C36,96 36,90 36.5,88 C46,48 76,27 110,27 C144,27 174,48 183.5,88 C184,90 184,96 182,100 C172,54 146,40 110,40 C74,40 48,54 38,100 Z',
      at: [110, 34],
    },
    {
      zone: 'hairline',
      path: 'M52,86 C60,54 84,43 110,43 C136,43 160,54 168,86 L160,73 C152,60 134,54 110,54 C86,54 68,60 60,73 Z',
      at: [110, 49],
    },
    {
      zone: 'forehead-centre',
      path: 'M86,58 C94,56 126,56 134,58 L134,84 C128,86 123,89 119,93 L101,93 C97,89 92,86 86,84 Z',
      at: [110, 75],
    },
    {
      zone: 'forehead-side-left',
      mirrored: 'forehead-side-right',
      path: 'M63,73 C69,65 76,61 83,59 L83,83 C77,81 72,81 67,83 Z',
      at: [75, 73],
    },
    {
      zone: 'temple-left',
      mirrored: 'temple-right',
      path: 'M49,90 C52,84 56,79 60,75 L65,85 C60,91 57,97 55,106 L47,106 C47,100 47,95 49,90 Z',
      at: [56, 94],
    },
    {
      zone: 'brow-left',
      mirrored: 'brow-right',
      path: 'M68,86 C76,83 91,85 100,92 L99,98 C90,94 78,92 65,95 Z',
      at: [83, 91],
    },
    {
      zone: 'under-brow-left',
      mirrored: 'under-brow-right',
      path: 'M64,98 C76,95 90,97 98,101 L98,107 C88,103 74,103 64,106 Z',
      at: [81, 102],
    },
    {
      zone: 'lash-line-left',
      mirrored: 'lash-line-right',
      path: 'M64,109 C74,106 88,106 98,110 C92,117 74,119 64,112 Z',
      at: [80, 114],
    },
    {
      zone: 'under-eye-left',
      mirrored: 'under-eye-right',
      path: 'M65,116 C76,122 90,120 99,114 L98,122 C90,129 74,130 65,123 Z',
      at: [81, 125],
    },
    {
      zone: 'eye-corner-left',
      mirrored: 'eye-corner-right',
      path: 'M51,109 L61,104 L62,121 L54,120 C51,117 50,113 51,109 Z',
      at: [57, 114],
    },
    { zone: 'nose-bridge', path: 'M103,97 L117,97 L121,129 L99,129 Z', at: [110, 116] },
    {
      zone: 'nose-tip',
      path: 'M101,132 L119,132 C124,142 122,153 110,155 C98,153 96,142 101,132 Z',
      at: [110, 146],
    },
    {
      zone: 'nose-wing-left',
      mirrored: 'nose-wing-right',
      path: 'M98,131 C94,141 94,151 99,157 C90,160 84,154 87,146 C89,140 93,135 98,131 Z',
      at: [92, 149],
    },
    {
      zone: 'upper-cheek-left',
      mirrored: 'upper-cheek-right',
      path: 'M50,122 C58,132 78,137 95,127 L89,137 C84,143 82,148 81,153 L50,147 C47,138 46,130 47,121 Z',
      at: [66, 142],
    },
    {
      zone: 'lower-cheek-left',
      mirrored: 'lower-cheek-right',
      path: 'M51,151 L79,157 C77,166 76,174 76,181 L69,186 C60,176 54,164 51,151 Z',
      at: [66, 167],
    },
    {
      zone: 'nose-fold-left',
      mirrored: 'nose-fold-right',
      path: 'M83,155 C86,160 90,161 95,160 L90,171 L79,177 C79,169 80,162 83,155 Z',
      at: [86, 166],
    },
    {
      zone: 'upper-lip',
      path: 'M98,161 C104,159 116,159 122,161 L127,169 C118,168 114,169 110,171 C106,169 102,168 93,169 Z',
      at: [110, 166],
    },
    {
      zone: 'lips',
      path: 'M93,172 C100,171 106,173 110,174 C114,173 120,171 127,172 C122,182 98,182 93,172 Z',
      at: [110, 178],
    },
    {
      zone: 'mouth-corner-left',
      mirrored: 'mouth-corner-right',
      path: 'M90,173 L93,183 L81,190 L78,180 Z',
      at: [85, 182],
    },
    {
      zone: 'under-lip',
      path: 'M96,181 C103,185 117,185 124,181 L129,190 C118,194 102,194 91,190 Z',
      at: [110, 190],
    },
    {
      zone: 'chin',
      path: 'M91,194 C99,198 121,198 129,194 C131,212 124,236 110,239 C96,236 89,212 91,194 Z',
      at: [110, 217],
    },
    {
      zone: 'jaw-angle-left',
      mirrored: 'jaw-angle-right',
      path: 'M45,152 C48,168 56,180 67,190 L66,207 C53,193 46,172 45,152 Z',
      at: [57, 185],
    },
    {
      zone: 'jaw-edge-left',
      mirrored: 'jaw-edge-right',
      path: 'M70,191 L80,187 L88,193 C88,206 90,222 97,237 C86,232 76,223 69,210 Z',
      at: [80, 210],
    },
    {
      zone: 'under-jaw',
      path: 'M84,236 C94,247 126,247 136,236 L138,250 C126,258 94,258 82,250 Z',
      at: [110, 252],
    },
    { zone: 'neck-centre', path: 'M98,260 L122,260 L122,282 L98,282 Z', at: [110, 272] },
    {
      zone: 'neck-side-left',
      mirrored: 'neck-side-right',
      path: 'M81,253 C86,257 91,259 95,260 L95,282 C89,281 83,278 78,274 Z',
      at: [88, 270],
    },
    { zone: 'decollete', path: DECOLLETE, at: [110, 296] },
  ],
};

const SHOULDER_AND_ARM: readonly ZoneShape[] = [
  {
    zone: 'shoulder-left',
    mirrored: 'shoulder-right',
    path: 'M51,49 C41,49 36,55 34,63 L32,75 L48,76 L51,66 Z',
    at: [42, 63],
  },
  {
    zone: 'mid-arm-left',
    mirrored: 'mid-arm-right',
    path: 'M32,78 L48,79 L43,103 L29,101 Z',
    at: [38, 91],
  },
];
const FINGERS: ZoneShape = {
  zone: 'fingers-left',
  mirrored: 'fingers-right',
  path: 'M23,168 L37,169 C36,180 32,185 28,184 C23,183 22,175 23,168 Z',
  at: [29, 177],
};

const UPPER_FRONT: ZoneFigure = {
  name: 'Upper body in parts, front',
  facing: true,
  width: 160,
  viewBox: '18 44 124 144',
  outline: [],
  shapes: [
    ...SHOULDER_AND_ARM,
    { zone: 'chest', path: 'M54,62 L106,62 L105,102 C96,106 64,106 55,102 Z', at: [80, 84] },
    {
      zone: 'abdomen-centre',
      path: 'M66,107 C74,109 86,109 94,107 L96,150 L64,150 Z',
      at: [80, 130],
    },
    {
      zone: 'flank-left',
      mirrored: 'flank-right',
      path: 'M55,105 L64,107 L61,150 L52,150 Z',
      at: [58, 130],
    },
    {
      zone: 'inner-forearm-left',
      mirrored: 'inner-forearm-right',
      path: 'M28,106 L42,108 L38,151 L25,149 Z',
      at: [33, 130],
    },
    {
      zone: 'palm-left',
      mirrored: 'palm-right',
      path: 'M24,152 L38,154 L37,166 L23,165 Z',
      at: [30, 160],
    },
    FINGERS,
  ],
};

const UPPER_BACK: ZoneFigure = {
  name: 'Upper body in parts, back',
  facing: false,
  width: 160,
  viewBox: '18 34 124 154',
  outline: [],
  shapes: [
    { zone: 'neck-back', path: 'M70,38 L90,38 L93,50 L67,50 Z', at: [80, 45] },
    ...SHOULDER_AND_ARM,
    { zone: 'upper-back', path: 'M54,53 L106,53 L105,100 L55,100 Z', at: [80, 78] },
    { zone: 'lower-back', path: 'M55,103 L105,103 L107,142 L53,142 Z', at: [80, 124] },
    {
      zone: 'elbow-left',
      mirrored: 'elbow-right',
      path: 'M29,104 L43,106 L42,118 L27,116 Z',
      at: [35, 111],
    },
    {
      zone: 'outer-forearm-left',
      mirrored: 'outer-forearm-right',
      path: 'M27,119 L42,121 L38,151 L25,149 Z',
      at: [33, 136],
    },
    {
      zone: 'hand-back-left',
      mirrored: 'hand-back-right',
      path: 'M24,152 L38,154 L37,166 L23,165 Z',
      at: [30, 160],
    },
    FINGERS,
  ],
};

const LEGS_FRONT: ZoneFigure = {
  name: 'Legs in parts, front',
  facing: true,
  width: 160,
  viewBox: '42 146 76 182',
  outline: [],
  shapes: [
    {
      zone: 'outer-thigh-left',
      mirrored: 'outer-thigh-right',
      path: 'M49,151 L58,151 L60,208 L54,208 Z',
      at: [55, 176],
    },
    {
      zone: 'thigh-front-left',
      mirrored: 'thigh-front-right',
      path: 'M60,151 L70,151 L69,208 L62,208 Z',
      at: [65, 176],
    },
    {
      zone: 'inner-thigh-left',
      mirrored: 'inner-thigh-right',
      path: 'M72,151 L79,151 L78,208 L71,208 Z',
      at: [75, 176],
    },
    {
      zone: 'knee-left',
      mirrored: 'knee-right',
      path: 'M55,211 L78,211 L77,226 L57,226 Z',
      at: [67, 219],
    },
    {
      zone: 'shin-left',
      mirrored: 'shin-right',
      path: 'M57,229 L77,229 C77,250 73,280 72,300 L61,300 C57,276 55,250 57,229 Z',
      at: [66, 262],
    },
    {
      zone: 'instep-left',
      mirrored: 'instep-right',
      path: 'M61,303 L72,303 L74,313 L57,313 Z',
      at: [66, 309],
    },
    {
      zone: 'toes-left',
      mirrored: 'toes-right',
      path: 'M56,315 L75,315 C77,322 72,325 66,325 L54,325 C51,322 53,318 56,315 Z',
      at: [64, 321],
    },
  ],
};

const LEGS_BACK: ZoneFigure = {
  name: 'Legs in parts, back',
  facing: false,
  width: 160,
  viewBox: '42 142 76 186',
  outline: [],
  shapes: [
    {
      zone: 'hip-left',
      mirrored: 'hip-right',
      path: 'M48,145 L58,145 L58,177 L50,172 Z',
      at: [54, 160],
    },
    {
      zone: 'seat-left',
      mirrored: 'seat-right',
      path: 'M60,145 L79,145 L79,176 C73,179 66,179 60,177 Z',
      at: [70, 162],
    },
    {
      zone: 'thigh-back-left',
      mirrored: 'thigh-back-right',
      path: 'M51,179 L79,180 L77,224 L57,224 Z',
      at: [66, 202],
    },
    {
      zone: 'calf-left',
      mirrored: 'calf-right',
      path: 'M57,227 L77,227 C78,250 73,280 72,300 L61,300 C57,276 55,250 57,227 Z',
      at: [66, 262],
    },
    {
      zone: 'sole-left',
      mirrored: 'sole-right',
      path: 'M60,303 L73,303 C76,312 76,321 68,324 L54,324 C52,318 57,312 60,303 Z',
      at: [64, 315],
    },
  ],
};

/** The parts of the body that are drawn large, by what the button says. */
export const LARGE_FIGURES = {
  face: [FACE_IN_PARTS],
  front: [UPPER_FRONT],
  back: [UPPER_BACK],
  legs: [LEGS_FRONT, LEGS_BACK],
} as const satisfies Record<string, readonly ZoneFigure[]>;
