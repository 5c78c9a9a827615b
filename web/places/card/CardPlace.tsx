import { useState } from 'react';
import { useParams, useSearchParams } from 'react-router';
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
  const [search, setSearch] = useSearchParams();
  const room = useRoomWork(protocolId);
  const [paper, setPaper] = useState<Paper>('A4');
  const pdf = usePdf();
  if (!room.known) return <NothingHere what="There is no such protocol in the house." />;
  const isForEverybody = search.has('everybody');
  const forWhom = isForEverybody ? undefined : clientWords(room.client);
  const card = room.work?.ok ? cardWords(room.work.value, forWhom) : undefined;
  return (
    <div className="flex h-full flex-col print:block">
      <RoomHeader
        protocolId={protocolId}
        room={room}
        here="card"
        everybody={{
          is: isForEverybody,
          choose: (is) => setSearch(is ? { everybody: '' } : {}, { replace: true }),
        }}
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
      {card.about.map((words) => (
        <p key={words} className="text-sm">
          {words}
        </p>
      ))}
      <Legend />
      <dl className="mt-3 flex flex-col gap-1 text-sm">
        {card.cautions.map(({ time, stop, others }) => (
          <div
            key={time}
            className={`grid grid-cols-[3.5rem_1fr] border-l-4 pl-3 ${stop === '' ? 'border-line-strong' : 'border-clay'}`}
          >
            <dt className="font-semibold">{time}</dt>
            <dd>
              {stop !== '' && (
                <p>
                  <strong className="text-clay">
                    <span aria-hidden>■ </span>Stop:
                  </strong>{' '}
                  {stop}.
                </p>
              )}
              {others !== '' && <p className="text-ink-soft">{others}</p>}
            </dd>
          </div>
        ))}
      </dl>
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
      {/* On paper the end stays together: no page begins for a line of it. */}
      <div className="break-inside-avoid">
        <Notes title="Before the visit" lines={card.before} />
        <Notes title="Afterwards" lines={card.after} />
        {card.notice !== undefined && (
          <p className="mt-4 border-t border-line pt-2 text-sm text-ink-soft">{card.notice}</p>
        )}
      </div>
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
      {line.standing === 'for-others' ? (
        <details className="border-b border-line py-1 pl-10 text-sm text-ink-soft">
          <summary className="cursor-pointer">
            {line.name}: {line.when}
          </summary>
          <LineBody line={line} />
        </details>
      ) : (
        <div
          className={`grid grid-cols-[2rem_1fr_9.5rem] gap-x-2 border-b border-line py-2 ${line.inLayers ? 'ml-8 border-l-2 border-l-palm pl-3' : ''} ${line.meanwhile ? 'pl-8' : ''} ${line.standing === 'done' ? '' : 'border-dashed'}`}
        >
          <span className="text-right text-ink-soft">{line.number}</span>
          <div>
            <p className="font-semibold">
              {line.meanwhile && <span className="font-normal text-palm italic">meanwhile </span>}
              {line.name}
            </p>
            {line.when !== undefined && <p className="text-sm text-palm italic">{line.when}</p>}
            <LineBody line={line} />
          </div>
          <span className="flex flex-col items-end text-sm">
            <span className="flex items-center gap-2">
              {line.minutes} <HandsMark hands={line.hands} />
              <span className="sr-only">{HANDS_WORDS[line.hands]}</span>
            </span>
            {line.roomClock !== undefined && (
              <span className="text-xs text-ink-soft">
                {line.guestClock !== undefined && `guest ${line.guestClock} · `}room{' '}
                {line.roomClock}
              </span>
            )}
          </span>
        </div>
      )}
    </li>
  );
}

/** What the marks of the hands and the clocks mean. */
function Legend() {
  return (
    <p className="mt-1 flex flex-wrap items-center gap-x-4 text-xs text-ink-soft">
      {(['hands-on', 'watching', 'free'] as const).map((hands) => (
        <span key={hands} className="flex items-center gap-1.5">
          <HandsMark hands={hands} /> {HANDS_WORDS[hands]}
        </span>
      ))}
      <span>guest 5: minute since the guest came in; room 12: since the room was taken</span>
    </p>
  );
}

/** What a line says besides its name and minutes. */
function LineBody({ line }: { readonly line: CardLine }) {
  return (
    <>
      {line.amounts.length > 0 && (
        <p>
          {line.amounts.map(({ said, base }, at) => (
            <span key={said}>
              {at > 0 && ' · '}
              {said}
              {base !== undefined && <span className="text-xs text-ink-soft"> ({base})</span>}
            </span>
          ))}
        </p>
      )}
      {line.mixes.map((mix) => (
        <p key={mix} className="text-sm">
          {mix}
        </p>
      ))}
      {line.details.length > 0 && (
        <p className="text-sm text-ink-soft">{line.details.join(' · ')}</p>
      )}
      {line.asks.map((asked) => (
        <p key={asked} className="text-sm font-semibold">
          {asked}
        </p>
      ))}
      {line.watch !== undefined && (
        <p className="text-sm text-clay">
          <span aria-hidden>▲ </span>
          <span className="sr-only">Watch: </span>
          {line.watch}
        </p>
      )}
      {line.say !== undefined && <p className="text-sm italic">“{line.say}”</p>}
      {line.why !== undefined && <p className="text-sm text-ink-soft">Why: {line.why}</p>}
      {line.note !== undefined && <p className="text-sm">Note: {line.note}</p>}
    </>
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
