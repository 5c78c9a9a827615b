import { BackToList } from '../../../parts/BackToList';
import { nanoid } from '@reduxjs/toolkit';
import { useState } from 'react';
import { Link, useNavigate, useParams, useSearchParams } from 'react-router';
import type { CountRound } from '@bienestar/core/house/house';
import { asId } from '@bienestar/core/house/ids';
import { placesOnShelf } from '@bienestar/core/restock/countReview';
import { counted, dayText } from '../../../format/figures';
import { Button } from '../../../parts/Button';
import { Choice } from '../../../parts/Choice';
import { EarlierButton } from '../../../parts/EarlierButton';
import { Segments } from '../../../parts/Segments';
import { useHouse } from '../../../store/house';
import { useRecord, useRecords } from '../../../store/useRecords';
import { useRestock } from '../../../store/restock';
import { useAddAndRemove } from '../../../store/useEditPart';
import { AttentionList, useAttention } from '../AttentionList';
import { RestockHeader } from '../RestockHeader';
import { CountingView } from './CountingView';
import { ReviewView } from './ReviewView';

const EVERYTHING = 'everything';

/** Counting the shelf, a place at a time, and what the counts have found. */
export function CountsPlace() {
  const { records: counts, readEarlier } = useRecords('counts');
  const { countId } = useParams();
  const chosen = useRecord('counts', countId);
  const listed = counts.toSorted((a, b) => (a.startedOn < b.startedOn ? 1 : -1));
  return (
    <div className="flex h-full flex-col print:block">
      <RestockHeader title="Counts" />
      <div
        data-shows={chosen ? 'hand' : undefined}
        className="columns-of-place lg:grid-cols-[18rem_minmax(0,1fr)] print:block"
      >
        <aside
          aria-label="Counts"
          className="min-h-0 overflow-y-auto border-r border-line px-5 py-4 print:hidden"
          tabIndex={0}
        >
          <NewCount />
          <ul className="mt-4">
            {listed.map((round) => (
              <RoundLine key={round.id} round={round} chosen={round.id === countId} />
            ))}
          </ul>
          <EarlierButton onRead={readEarlier} />
        </aside>
        <div
          className="min-h-0 overflow-y-auto bg-sheet px-6 py-4 print:bg-transparent print:p-0"
          tabIndex={0}
          role="group"
          aria-label={chosen ? `Count: ${chosen.name}` : 'No count in hand'}
        >
          {chosen && <BackToList to="/restock/counts" all="All counts" />}
          {!chosen && <DueCounts />}
          {chosen && chosen.endedOn === undefined && (
            <CountingView key={chosen.id} round={chosen} />
          )}
          {chosen && chosen.endedOn !== undefined && <ReviewView key={chosen.id} round={chosen} />}
        </div>
      </div>
    </div>
  );
}

/** What is to be counted, while no count is in hand. */
function DueCounts() {
  const due = useAttention().filter(({ kind }) => kind === 'count-due' || kind === 'below-nothing');
  return (
    <div className="flex max-w-3xl flex-col gap-4">
      <p className="font-serif text-lg text-ink-soft">
        Begin a count, or choose one to see what it has found.
      </p>
      {due.length === 0 ? (
        <p>Everything has been counted as often as you want.</p>
      ) : (
        <AttentionList items={due} />
      )}
    </div>
  );
}

function NewCount() {
  const house = useHouse();
  const { today } = useRestock();
  const { add, busy } = useAddAndRemove('counts');
  const navigate = useNavigate();
  const [search] = useSearchParams();
  const places = placesOnShelf(house);
  const asked = search.get('place');
  const [place, setPlace] = useState(asked !== null && asked !== '' ? asked : EVERYTHING);
  const [blind, setBlind] = useState<'blind' | 'seen'>('blind');
  const begin = async (): Promise<void> => {
    const round: CountRound = {
      id: asId(nanoid(12)),
      name: place === EVERYTHING ? 'The whole shelf' : place,
      startedOn: today,
      ...(place !== EVERYTHING && { place }),
      blind: blind === 'blind',
      lines: [],
    };
    if (await add(round)) await navigate(`/restock/counts/${round.id}`);
  };
  return (
    <div className="flex flex-col gap-3">
      <Choice
        label="Where"
        value={place}
        options={[
          { value: EVERYTHING, label: 'everything' },
          ...places.map(({ place: name, materials }) => ({
            value: name,
            label: `${name}, ${counted(materials, 'material')}`,
          })),
        ]}
        onChoose={setPlace}
      />
      <Segments
        label="What should be there"
        value={blind}
        options={[
          { value: 'blind', label: 'hidden' },
          { value: 'seen', label: 'shown' },
        ]}
        onChoose={setBlind}
      />
      <Button weight="main" className="justify-center" disabled={busy} onClick={() => void begin()}>
        Begin a count
      </Button>
    </div>
  );
}

function RoundLine({ round, chosen }: { readonly round: CountRound; readonly chosen: boolean }) {
  return (
    <li className={`border-b border-line py-2 ${chosen ? 'border-l-3 border-l-clay pl-3' : ''}`}>
      <Link
        to={`/restock/counts/${round.id}`}
        aria-current={chosen ? 'true' : undefined}
        className="font-serif text-lg hover:text-clay hover:underline"
      >
        {round.name}
      </Link>
      <span className="block text-sm text-ink-soft">
        {dayText(round.startedOn)}, {counted(round.lines.length, 'material')}
        {round.endedOn === undefined && ', going on'}
      </span>
    </li>
  );
}
