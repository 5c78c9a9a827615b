import { dayOf } from '@bienestar/core/days/days';
import type { Run } from '@bienestar/core/house/run';
import { dayText } from '../../format/figures';
import { useHouse } from '../../store/house';
import { KnuckleButton } from './KnuckleButton';

interface HomeCareProps {
  readonly run: Run;
  /** what is to be done and when, each a sentence */
  readonly words: readonly string[];
}

/** What the guest does at home and when to come again, on the screen and as a sheet to take along. */
export function HomeCare({ run, words }: HomeCareProps) {
  const { settings } = useHouse();
  if (words.length === 0) return null;
  const list = (
    <ul className="max-w-3xl list-disc pl-5 text-base">
      {words.map((each) => (
        <li key={each}>{each}</li>
      ))}
    </ul>
  );
  return (
    <section aria-label="At home" className="mt-5">
      <h2 className="text-xl">At home, and when to come again</h2>
      {list}
      <KnuckleButton className="mt-2" onClick={() => window.print()}>
        Print it for the guest
      </KnuckleButton>
      <article className="hidden print:fixed print:inset-0 print:block print:bg-white" aria-hidden>
        <h1 className="text-2xl">{run.protocol.name}</h1>
        <p>
          {[run.guest, dayText(dayOf(new Date(run.at), settings.timeZone)), settings.name]
            .filter(Boolean)
            .join(' · ')}
        </p>
        <div className="mt-4">{list}</div>
        <p className="mt-6 text-sm">
          If something worries you, call us; in an emergency call a doctor.
        </p>
      </article>
    </section>
  );
}
