import { Choice } from '../../parts/Choice';
import { useSnapshot } from '../../store/house';
import { useChangeSettings } from '../../store/useEditPart';

const OWN = 'own';
const OFFERED = [
  'en-GB',
  'en-US',
  'en-IE',
  'es-ES',
  'es-MX',
  'pt-PT',
  'pt-BR',
  'fr-FR',
  'fr-CH',
  'it-IT',
  'de-DE',
  'de-AT',
  'de-CH',
  'nl-NL',
  'da-DK',
  'sv-SE',
  'nb-NO',
  'fi-FI',
  'pl-PL',
  'cs-CZ',
  'el-GR',
  'tr-TR',
] as const;
const EXAMPLE_DAY = new Date('2026-11-27T12:00:00Z');
const EXAMPLE_NUMBER = 1234.5;

/** By which language and region numbers and dates are written and read, for everybody in the house. */
export function LocaleChoice() {
  const { locale } = useSnapshot().settings;
  const change = useChangeSettings();
  const known = locale === undefined ? OFFERED : [...new Set([locale, ...OFFERED])];
  return (
    <Choice
      label="Numbers and dates as in"
      hint="how they are written and read, on every device"
      value={locale ?? OWN}
      options={[
        { value: OWN, label: 'the language of each device' },
        ...known.map((tag) => ({ value: tag, label: exampleOf(tag) })),
      ]}
      onChoose={(next) => void change({ locale: next === OWN ? undefined : next })}
    />
  );
}

const examples = new Map<string, string>();

/** A language with an amount and a day in it. Each is made once: formats of all of them take longer than the rest of a place. */
function exampleOf(tag: string): string {
  const known = examples.get(tag) ?? madeExample(tag);
  examples.set(tag, known);
  return known;
}

function madeExample(tag: string): string {
  const name = new Intl.DisplayNames('en', { type: 'language' }).of(tag) ?? tag;
  const amount = new Intl.NumberFormat(tag, { minimumFractionDigits: 2 }).format(EXAMPLE_NUMBER);
  const day = new Intl.DateTimeFormat(tag, { dateStyle: 'medium', timeZone: 'UTC' }).format(
    EXAMPLE_DAY,
  );
  return `${name}: ${amount}, ${day}`;
}
