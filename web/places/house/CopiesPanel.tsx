import { useState } from 'react';
import { toast } from '../../parts/toast';
import { API, type CopyReason, type SafeCopy } from '@bienestar/contract/api';
import { momentOfYearText, sizeText } from '../../format/figures';
import { Button } from '../../parts/Button';
import { Sheet } from '../../parts/Sheet';
import { useCopiesQuery, useMakeCopyMutation } from '../../store/copiesApi';
import { refusalWords } from '../../store/refusals';
import { useOpening } from '../../store/openHouse';
import { OpeningFaults, OpeningSheet } from './OpeningParts';
import { useTimeZone } from '../../store/clock';
import { Section } from './Section';

const WHY: Record<CopyReason, string> = {
  first: 'when the house was begun',
  night: 'in the night',
  opening: 'before another house was opened',
  upgrade: 'before a new version',
  'by-hand': 'by hand',
  aside: 'the whole house, put aside for another',
};
const FEW = 6;

/** Safe copies of the house: when they were made and why, one more now, and bringing one back. */
export function CopiesPanel() {
  const [makeCopy, { isLoading }] = useMakeCopyMutation();
  const make = async (): Promise<void> => {
    const made = await makeCopy();
    if (!made.error) toast('A safe copy is made.');
    else {
      toast.error(refusalWords(made.error));
    }
  };
  return (
    <Section title="Safe copies">
      <p className="text-sm text-ink-soft">
        Made every night, and before another house or a new version takes over. Kept are the last
        seven days, five weeks and twelve months, in the folder .bienestar/copies of this machine:
        keep some elsewhere, too. The two houses that were in use last are kept whole besides.
      </p>
      <CopyList />
      <Button className="self-start" disabled={isLoading} onClick={() => void make()}>
        {isLoading ? 'Making a copy …' : 'Make a copy now'}
      </Button>
    </Section>
  );
}

/** The safe copies, the newest in front, each with the way to bring it back. */
export function CopyList() {
  const { data: copies = [], isSuccess } = useCopiesQuery();
  const timeZone = useTimeZone();
  const [all, setAll] = useState(false);
  const [chosen, setChosen] = useState<SafeCopy>();
  const { state, open, breakOff } = useOpening();
  const bringBack = async (): Promise<void> => {
    if (!chosen) return;
    setChosen(undefined);
    if (await open({ from: 'copy', name: chosen.name })) {
      toast(`The house is as it was on ${momentOfYearText(chosen.at, timeZone)}.`);
    }
  };
  const shown = all ? copies : copies.slice(0, FEW);
  return (
    <>
      {isSuccess && copies.length === 0 && <p className="text-sm">There is no safe copy yet.</p>}
      <ul aria-label="Safe copies">
        {shown.map((copy) => (
          <li
            key={copy.name}
            className="flex items-center gap-4 border-b border-line py-1.5 text-sm last:border-0"
          >
            <span className="w-40 tabular-nums">{momentOfYearText(copy.at, timeZone)}</span>
            <span className="min-w-0 flex-1 text-ink-soft">{WHY[copy.why]}</span>
            {copy.bytes !== undefined && (
              <a
                className="text-ink-soft underline decoration-line-strong underline-offset-2 hover:text-ink"
                href={`${API}/copies/${copy.name}`}
                download
                aria-label={`Save the copy of ${momentOfYearText(copy.at, timeZone)}, ${sizeText(copy.bytes)}`}
              >
                {sizeText(copy.bytes)}
              </a>
            )}
            <Button
              weight="quiet"
              aria-label={`Bring back the ${copy.why === 'aside' ? 'house put aside' : 'copy of'} ${momentOfYearText(copy.at, timeZone)}`}
              onClick={() => setChosen(copy)}
            >
              Bring back …
            </Button>
          </li>
        ))}
      </ul>
      {copies.length > FEW && (
        <Button weight="quiet" className="self-start" onClick={() => setAll(!all)}>
          {all ? 'Show fewer' : `Show all ${copies.length}`}
        </Button>
      )}
      <OpeningFaults state={state} />
      <OpeningSheet state={state} onBreakOff={breakOff} />
      <Sheet
        open={chosen !== undefined}
        onClose={() => setChosen(undefined)}
        title="Bring back this copy?"
        description={`The house becomes what it was on ${chosen ? momentOfYearText(chosen.at, timeZone) : ''}. A safe copy of the house as it is now is made first, so this can be undone by bringing that one back.`}
        actions={
          <>
            <Button onClick={() => setChosen(undefined)}>Leave the house as it is</Button>
            <Button weight="danger" onClick={() => void bringBack()}>
              Bring it back
            </Button>
          </>
        }
      >
        <p className="text-sm">
          {chosen?.why === 'aside'
            ? 'It was put aside whole, with everything that was ever entered.'
            : `It was made ${chosen ? WHY[chosen.why] : ''}.`}
        </p>
      </Sheet>
    </>
  );
}
