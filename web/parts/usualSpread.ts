import { createContext } from 'react';
import { USUAL_SPREAD } from '@bienestar/core/house/settings';

/** By how much the minutes and amounts of the house usually go either way, as a share. */
export const UsualSpread = createContext(USUAL_SPREAD);
