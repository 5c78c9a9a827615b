import { Trash2 } from 'lucide-react';
import { useNavigate } from 'react-router';
import type { Versioned } from '@bienestar/contract/api';
import type { Offer } from '@bienestar/core/house/house';
import { Button } from '../../../parts/Button';
import { MoneyField } from '../../../parts/MoneyField';
import { PercentField } from '../../../parts/PercentField';
import { TextField } from '../../../parts/TextField';
import { useAddAndRemove, useChange } from '../../../store/useEditPart';
import { GuestFields } from '../guests/GuestFields';
import { CourseFields } from './CourseFields';
import { TogetherFields } from './TogetherFields';

const HIGHEST_DISCOUNT = 0.99;
const LEAVING = { commitOn: 'leaving' } as const;

interface OfferPanelProps {
  readonly offer: Versioned<Offer>;
}

/** One offer in hand: what it is of, what is let off, and what it comes to. */
export function OfferPanel({ offer }: OfferPanelProps) {
  const change = useChange('offers', offer);
  const { remove, busy } = useAddAndRemove('offers');
  const navigate = useNavigate();
  const put = (changes: Partial<Offer>): Promise<string | undefined> => change(changes);
  const takeAway = async (): Promise<void> => {
    if (!(await remove(offer))) return;
    await navigate('/menu/offers');
  };
  return (
    <section aria-label={offer.name} className="flex flex-col gap-4 px-6 py-5">
      <TextField
        {...LEAVING}
        label="Name"
        needed
        value={offer.name}
        onCommit={(name) => put({ name })}
      />
      {offer.kind === 'course' ? (
        <CourseFields course={offer} put={put} />
      ) : (
        <TogetherFields offer={offer} put={put} />
      )}
      <div className="grid grid-cols-2 items-start gap-3">
        <PercentField
          {...LEAVING}
          label="Let off"
          to={HIGHEST_DISCOUNT}
          value={offer.discount}
          onCommit={(discount) => put({ discount })}
        />
        <MoneyField
          {...LEAVING}
          label="Or a price of its own"
          hint="empty: the sum less what is let off"
          value={offer.ownMinor}
          onCommit={(ownMinor) => put({ ownMinor })}
          onClear={() => void put({ ownMinor: undefined })}
        />
      </div>
      {offer.ownMinor !== undefined && (
        <Button className="self-start" onClick={() => void put({ ownMinor: undefined })}>
          Back to the sum less what is let off
        </Button>
      )}
      <GuestFields guest={offer.guest} name={offer.name} onChange={(guest) => put({ guest })} />
      <Button
        weight="remove"
        className="self-start"
        disabled={busy}
        onClick={() => void takeAway()}
      >
        <Trash2 aria-hidden size={16} /> Remove this offer
      </Button>
    </section>
  );
}
