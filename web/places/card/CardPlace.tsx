import { useState } from 'react';
import { useParams } from 'react-router';
import { clientWords } from '../../format/protocolWords';
import { HANDS_WORDS, HandsMark } from '../../parts/HandsMark';
import { NothingHere } from '../../parts/NothingHere';
import { Problems } from '../../parts/Problems';
import { cardWords, type CardLine, type CardWords } from './cardWords';
import { usePdf } from './paper';
import type { Paper } from './onPaper';
import { RoomHeader } from './RoomHeader';
import { useRoomWork } from './useRoomWork';

/** The card of a protocol: what a therapist follows in the room, on the screen and on paper. */
export function CardPlace() {
  const { protocolId = '' } = useParams();
  const room = useRoomWork(protocolId);
  const [paper, setPaper] = useState<Paper>('A4');
  const pdf = usePdf();
  if (!room.known) return <NothingHere what="There is no such protocol in the house." />;
  const card = room.work?.ok ? cardWords(room.work.value, clientWords(room.client)) : undefined;
  return (
    <div className="flex h-full flex-col print:block">
      <RoomHeader
        protocolId={protocolId}
        room={room}
        here="card"
        paper={paper}
        onPaper={setPaper}
        pdf={{
          busy: pdf.busy,
          make: () => card && pdf.make({ kind: 'card', paper, card }, `${card.title}, card`),
        }}
      />
      <div
        tabIndex={0}
        role="region"
        aria-label="The card"
        className="min-h-0 flex-1 overflow-y-auto print:overflow-visible"
      >
        {room.work && !room.work.ok && <Problems problems={room.work.problems} />}
        {card && <Card card={card} paper={paper} />}
      </div>
    </div>
  );
}

function Card({ card, paper }: { readonly card: CardWords; readonly paper: Paper }) {
  return (
    <article
      data-paper={paper}
      className="card-sheet mx-auto max-w-3xl px-8 py-6 print:max-w-none print:p-0"
    >
      <style>{`@page { size: ${paper}; margin: ${paper === 'A4' ? '14mm' : '9mm'}; }`}</style>
      <h1 className="text-3xl">{card.title}</h1>
      <p className="text-sm text-ink-soft">{card.subtitle}</p>
      {card.stops.length > 0 && (
        <p className="mt-3 border-l-4 border-clay pl-3 text-sm">
          <strong className="text-clay">
            <span aria-hidden>■ </span>Stop:
          </strong>{' '}
          {card.stops.join('; ')}
        </p>
      )}
      {card.cares.length > 0 && (
        <p className="mt-1 border-l-4 border-line-strong pl-3 text-sm text-ink-soft">
          {card.cares.join(' ')}
        </p>
      )}
      {card.stretches.map(({ name, lines }) => (
        <section key={name} aria-label={name} className="mt-4">
          <h2 className="border-b border-line-strong pb-1 text-lg text-ink-soft italic">{name}</h2>
          <ol>
            {lines.map((line) => (
              <Line key={line.key} line={line} />
            ))}
          </ol>
        </section>
      ))}
      <Notes title="Before the visit" lines={card.before} />
      <Notes title="Afterwards" lines={card.after} />
      {card.notice !== undefined && (
        <p className="mt-4 border-t border-line pt-2 text-sm text-ink-soft">{card.notice}</p>
      )}
    </article>
  );
}

function Line({ line }: { readonly line: CardLine }) {
  return (
    <li className="break-inside-avoid">
      {line.layers !== undefined && (
        <p className="ml-8 border-l-2 border-palm py-1 pl-3 text-sm font-semibold text-palm">
          {line.layers}
        </p>
      )}
      <div
        className={`grid grid-cols-[2rem_1fr_6.5rem] gap-x-2 border-b border-line py-2 ${line.inLayers ? 'ml-8 border-l-2 border-l-palm pl-3' : ''} ${line.meanwhile ? 'pl-8' : ''}`}
      >
        <span className="text-right text-ink-soft">{line.number}</span>
        <div>
          <p className="font-semibold">
            {line.meanwhile && <span className="font-normal text-palm italic">meanwhile </span>}
            {line.name}
          </p>
          {line.amounts.length > 0 && <p>{line.amounts.join(' · ')}</p>}
          {line.details.length > 0 && (
            <p className="text-sm text-ink-soft">{line.details.join(' · ')}</p>
          )}
          {line.watch !== undefined && (
            <p className="text-sm text-clay">
              <span aria-hidden>▲ </span>
              {line.watch}
            </p>
          )}
          {line.say !== undefined && <p className="text-sm italic">{line.say}</p>}
        </div>
        <span className="flex items-start justify-end gap-2 text-sm">
          {line.minutes} <HandsMark hands={line.hands} />
          <span className="sr-only">{HANDS_WORDS[line.hands]}</span>
        </span>
      </div>
    </li>
  );
}

function Notes({ title, lines }: { readonly title: string; readonly lines: readonly string[] }) {
  if (lines.length === 0) return null;
  return (
    <section className="mt-4 break-inside-avoid text-sm">
      <h2 className="text-lg">{title}</h2>
      <ul>
        {lines.map((line) => (
          <li key={line}>{line}</li>
        ))}
      </ul>
    </section>
  );
}
