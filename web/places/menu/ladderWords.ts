import type { Pricing } from '@bienestar/core/house/house';
import type { Standing } from '@bienestar/core/price/ladders';

export const LADDER_WORDS: Record<Pricing['by'], string> = {
  'cost-plus': 'Cost plus margin',
  'room-hour': 'What a room hour brings',
  neighbourhood: 'Neighbourhood',
  own: 'A price of its own',
};

export const STANDING_WORDS: Record<Standing, string> = {
  below: 'below all elsewhere',
  low: 'in the lower half elsewhere',
  high: 'in the upper half elsewhere',
  above: 'above all elsewhere',
};
