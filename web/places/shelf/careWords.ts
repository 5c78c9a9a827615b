import type { Protects, StopFor, Warning } from '@bienestar/core/house/careFacts';

export const WARNING_WORDS: Record<Warning, string> = {
  flammable: 'flammable',
  alcohol: 'alcohol',
  acid: 'acid',
  retinoid: 'retinoid',
  'light-sensitising': 'makes skin sensitive to light',
  'heat-producing': 'gives off heat',
  cold: 'cold',
  fragrance: 'fragrance',
};

export const PROTECT_WORDS: Record<Protects, string> = {
  eyes: 'covers the eyes',
  sun: 'keeps off the sun',
};

export const STOP_WORDS: Record<StopFor, string> = {
  pregnancy: 'pregnancy',
  'breast-feeding': 'breast-feeding',
  'oral-retinoid': 'oral retinoid in the last six months',
  'topical-retinoid': 'topical retinoid in the last days',
  'photosensitising-medicine': 'photosensitising medicine',
  'broken-skin': 'broken or irritated skin',
  sunburn: 'sunburn',
  'cold-sore': 'active cold sore or infection',
  'recent-injectables': 'recent injectables or surgery',
  pacemaker: 'pacemaker or metal implant',
  epilepsy: 'epilepsy',
  anticoagulants: 'anticoagulants, clotting disorder',
  diabetes: 'uncontrolled diabetes',
  keloid: 'tendency to keloids',
  'vein-disease': 'vein disease',
  'heart-disease': 'heart disease',
  asthma: 'asthma',
  children: 'children',
};
