import { Button } from '../../parts/Button';
import { FileButton } from '../../parts/FileButton';
import { useCopiesQuery } from '../../store/copiesApi';
import { useOpening, type Opening } from '../../store/openHouse';
import { CopyList } from './CopiesPanel';
import { OpeningFaults, OpeningSheet } from './OpeningParts';

interface BeginPlaceProps {
  /** what is wrong with a house that is there and cannot be read */
  readonly fault?: string | undefined;
}

/** Where there is no house, or it cannot be found or read any more: what to do is asked, and nothing assumed. */
export function BeginPlace({ fault }: BeginPlaceProps) {
  const { data: copies = [] } = useCopiesQuery();
  const { state, open, breakOff } = useOpening();
  const begin = (opening: Opening): void => void open(opening);
  const wasHere = copies.length > 0;
  return (
    <div
      className="h-full overflow-y-auto px-6 py-8"
      tabIndex={0}
      role="group"
      aria-label="No house"
    >
      <div className="mx-auto flex max-w-3xl flex-col gap-8">
        <header>
          <h1 className="text-3xl">
            {fault === undefined ? 'There is no house here' : 'This house cannot be read'}
          </h1>
          <p className="mt-2 max-w-prose text-ink-soft">
            {fault !== undefined
              ? fault
              : wasHere
                ? 'There was one, and its data cannot be found where it lay. Nothing was removed, and nothing takes its place unless you say so.'
                : 'Nothing of a house was found where its data lay. If data could not be used, it was put aside and not removed: its name is in the window in which Bienestar was started.'}
          </p>
        </header>
        {wasHere && (
          <section aria-labelledby="copies" className="border-l-2 border-palm pl-5">
            <h2 id="copies" className="text-xl">
              Bring back a safe copy
            </h2>
            <p className="mb-2 text-sm text-ink-soft">The newest stands first.</p>
            <CopyList />
          </section>
        )}
        <section aria-labelledby="others" className="flex flex-col gap-3">
          <h2 id="others" className="text-xl">
            {wasHere ? 'Or something else' : 'How shall it begin?'}
          </h2>
          <div className="flex flex-wrap gap-3">
            <FileButton
              label="House file"
              accept=".json,application/json"
              onFile={(file) => begin({ from: 'file', file })}
            >
              Open a house file …
            </FileButton>
            {fault === undefined && (
              <>
                <Button onClick={() => begin({ from: 'beginning', begin: 'new' })}>
                  Begin a new house
                </Button>
                <Button onClick={() => begin({ from: 'beginning', begin: 'demo' })}>
                  Look at the demo house
                </Button>
              </>
            )}
          </div>
          <OpeningFaults state={state} />
        </section>
        <OpeningSheet state={state} onBreakOff={breakOff} />
      </div>
    </div>
  );
}
