import { LIMITS, within } from '@bienestar/contract/limits';
import type { GuestWords } from '@bienestar/core/house/house';
import { Fold } from '../../../parts/Fold';
import { NumberField } from '../../../parts/NumberField';
import { TextField } from '../../../parts/TextField';
import { withWords } from './guestWords';

interface GuestFieldsProps {
  readonly guest: GuestWords | undefined;
  /** as the house calls it */
  readonly name: string;
  readonly onChange: (guest: GuestWords | undefined) => Promise<string | undefined>;
}

const LEAVING = { commitOn: 'leaving' } as const;
const LONGEST_TEXT = 2000;

/** What guests read of something that is sold. */
export function GuestFields({ guest, name, onChange }: GuestFieldsProps) {
  const put = (changes: Partial<GuestWords>): Promise<string | undefined> =>
    onChange(withWords(guest, changes));
  return (
    <Fold title="What guests read" summary={guest?.name ?? guest?.text ?? name}>
      <TextField
        {...LEAVING}
        label="Name on the menu"
        hint={`empty: ${name}`}
        value={guest?.name ?? ''}
        onCommit={(text) => put({ name: text })}
      />
      <TextField
        {...LEAVING}
        label="In a sentence"
        lines={3}
        longest={LONGEST_TEXT}
        value={guest?.text ?? ''}
        onCommit={(text) => put({ text })}
      />
      <NumberField
        {...LEAVING}
        label="Minutes told to guests"
        unit="min"
        hint="empty: those of the visit"
        value={guest?.minutes}
        check={within(LIMITS.guestMinutes)}
        onCommit={(minutes) => put({ minutes })}
        onClear={() => void put({ minutes: undefined })}
      />
      <TextField
        {...LEAVING}
        label="To be read before booking"
        hint="one caution a line; the usual ones of the protocol are offered when it is printed"
        lines={3}
        longest={LONGEST_TEXT}
        value={(guest?.cautions ?? []).join('\n')}
        onCommit={(text) => put({ cautions: text.split('\n') })}
      />
    </Fold>
  );
}
