import { ArrowLeft, FileDown, Printer, UserRound } from 'lucide-react';
import { useState } from 'react';
import { Link } from 'react-router';
import { clientWords } from '../../format/protocolWords';
import { Button } from '../../parts/Button';
import { Segments } from '../../parts/Segments';
import { ShownFor } from '../protocols/ShownFor';
import type { Paper } from './onPaper';
import type { useRoomWork } from './useRoomWork';

interface RoomHeaderProps {
  readonly protocolId: string;
  readonly room: ReturnType<typeof useRoomWork>;
  readonly here: 'card' | 'tray';
  readonly paper: Paper;
  readonly onPaper: (paper: Paper) => void;
  /** the card of everybody, with all branches, instead of that of one client */
  readonly everybody?: { readonly is: boolean; readonly choose: (is: boolean) => void };
  readonly pdf: { readonly busy: boolean; readonly make: () => void };
}

/** Ways from the card to the tray and back, for whom they are, on which paper. None of it is printed. */
export function RoomHeader(props: RoomHeaderProps) {
  const { protocolId, room, here, paper, onPaper, everybody, pdf } = props;
  const [choosing, setChoosing] = useState(false);
  const { client, choose, by, chooseBy, hasEdition, work } = room;
  return (
    <div className="print:hidden">
      <header className="flex flex-wrap items-end gap-3 border-b border-line px-3 py-2 sm:px-6">
        <Link
          to={`/protocols/${protocolId}`}
          aria-label="Back to the workbench"
          title="Back to the workbench"
          className="inline-flex size-9 items-center justify-center rounded-sm text-ink-soft hover:bg-sunk"
        >
          <ArrowLeft aria-hidden size={18} />
        </Link>
        <nav aria-label="For the room" className="flex">
          {(['card', 'tray'] as const).map((place) => (
            <Link
              key={place}
              to={`/protocols/${protocolId}/${place}`}
              aria-current={place === here ? 'page' : undefined}
              className={`inline-flex h-9 items-center px-3 font-serif text-lg ${place === here ? 'border-b-2 border-clay' : 'text-ink-soft hover:text-ink'}`}
            >
              {place === 'card' ? 'Card' : 'Tray'}
            </Link>
          ))}
        </nav>
        <Button
          weight={choosing ? 'plain' : 'quiet'}
          aria-expanded={choosing}
          onClick={() => setChoosing(!choosing)}
        >
          <UserRound aria-hidden size={16} />
          <span className="max-w-60 truncate sm:max-w-72">{clientWords(client)}</span>
        </Button>
        {everybody && (
          <Segments
            label="For whom"
            labelHidden
            value={everybody.is ? 'everybody' : 'one'}
            options={[
              { value: 'one', label: 'this client' },
              { value: 'everybody', label: 'everybody' },
            ]}
            onChoose={(chosen) => everybody.choose(chosen === 'everybody')}
          />
        )}
        <div className="flex flex-wrap items-end gap-3 sm:ml-auto">
          {hasEdition && (
            <Segments
              label="By"
              labelHidden
              value={by}
              options={[
                { value: 'edition', label: 'published' },
                { value: 'draft', label: 'draft' },
              ]}
              onChoose={chooseBy}
            />
          )}
          <Segments
            label="Paper"
            labelHidden
            value={paper}
            options={[
              { value: 'A4', label: 'A4' },
              { value: 'A5', label: 'A5' },
            ]}
            onChoose={onPaper}
          />
          <Button onClick={() => window.print()}>
            <Printer aria-hidden size={16} /> Print
          </Button>
          <Button disabled={pdf.busy || !work?.ok} onClick={pdf.make}>
            <FileDown aria-hidden size={16} /> {pdf.busy ? 'Making the PDF …' : 'PDF'}
          </Button>
        </div>
      </header>
      {choosing && (
        <ShownFor
          client={client}
          written={work?.ok ? work.value.written : undefined}
          onChange={choose}
        />
      )}
    </div>
  );
}
