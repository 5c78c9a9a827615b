import { useState } from 'react';
import { useNavigate } from 'react-router';
import { Button } from '../../parts/Button';
import { FileButton } from '../../parts/FileButton';
import { toast } from '../../parts/toast';
import { copiesApi } from '../../store/copiesApi';
import { useHouse } from '../../store/house';
import { useOpening, type Opening } from '../../store/openHouse';
import { useAppDispatch } from '../../store/store';
import { OpeningFaults, OpeningSheet } from './OpeningParts';

const KEY = 'bienestar.lookedAround';
const LONG_MS = 20_000;

interface DemoNoticeProps {
  /** also when somebody has chosen to look around */
  readonly always?: boolean;
}

/** Says that the house is a demonstration, and how to come to one's own. */
export function DemoNotice({ always = false }: DemoNoticeProps) {
  const { name, isDemonstration } = useHouse().settings;
  const [isLeft, setIsLeft] = useState(() => localStorage.getItem(KEY) !== null);
  const { state, open, breakOff } = useOpening();
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  /* The house that was here is put aside whole: the newest of those is the demonstration. */
  const bringBack = async (): Promise<void> => {
    const { data: copies = [] } = await dispatch(
      copiesApi.endpoints.copies.initiate(undefined, { forceRefetch: true }),
    );
    const aside = copies.find(({ why }) => why === 'aside');
    if (!aside) toast.error('The demonstration house is not there any more.');
    else if (await open({ from: 'copy', name: aside.name })) await navigate('/protocols');
  };
  const replace = async (opening: Opening, words: string, then: string): Promise<void> => {
    if (!(await open(opening))) return;
    await navigate(then);
    toast(`${words} ${name} is put aside: House, Safe copies.`, {
      duration: LONG_MS,
      action: { label: 'Bring it back', onClick: () => void bringBack() },
    });
  };
  const isShown = isDemonstration === true && (always || !isLeft);
  if (!isShown) return null;
  return (
    <section
      aria-label="Demonstration"
      className="mb-6 border-l-4 border-palm bg-palm-wash px-5 py-4"
    >
      <p className="font-semibold">This is a demonstration house.</p>
      <p className="mt-1 max-w-3xl text-sm">
        Its people, products and figures are invented. Try everything in it, or begin your own: then
        this one is put aside whole, and can be brought back with one press.
      </p>
      <div className="mt-3 flex flex-wrap gap-3">
        <Button
          weight="main"
          onClick={() =>
            void replace(
              { from: 'beginning', begin: 'new', instead: true },
              'Your house is begun.',
              '/house/set-up',
            )
          }
        >
          Begin my own house
        </Button>
        <FileButton
          label="A house file of mine"
          accept=".json,application/json"
          onFile={(file) =>
            void replace({ from: 'file', file }, 'Your house is open.', '/protocols')
          }
        >
          Open a house file …
        </FileButton>
        {!always && (
          <Button
            weight="quiet"
            onClick={() => {
              localStorage.setItem(KEY, 'yes');
              setIsLeft(true);
            }}
          >
            Look around
          </Button>
        )}
      </div>
      <OpeningFaults state={state} />
      <OpeningSheet state={state} onBreakOff={breakOff} />
    </section>
  );
}
