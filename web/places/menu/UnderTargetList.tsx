import { Link } from 'react-router';
import { underTarget } from '@bienestar/core/figures/underTarget';
import { percent } from '../../format/figures';
import { useFigures, useHouse } from '../../store/house';

/** Which services leave less than the house wants, while none is in hand. */
export function UnderTargetList() {
  const under = underTarget(useHouse(), useFigures());
  return (
    <div className="flex flex-col gap-4 px-6 py-8">
      <p className="font-serif text-lg text-ink-soft">
        Choose a service to see who performs it, its own margin and its planned visits.
      </p>
      {under.length === 0 ? (
        <p>Every service reaches its target margin.</p>
      ) : (
        <section aria-labelledby="under-target">
          <h2 id="under-target" className="border-b border-line-strong pb-1 text-lg">
            Under their target
          </h2>
          <ul className="text-sm">
            {under.map(({ service, margin, targetMargin, losesMoney }) => (
              <li key={service.id} className="flex items-baseline gap-3 border-b border-line py-2">
                <Link
                  to={`/menu/${service.id}/price`}
                  className="min-w-0 flex-1 font-semibold hover:text-clay hover:underline"
                >
                  {service.name}
                  {losesMoney && <span className="block text-clay">▲ loses money</span>}
                </Link>
                <span className="text-right whitespace-nowrap text-ink-soft">
                  {percent(margin)} of {percent(targetMargin)}
                </span>
              </li>
            ))}
          </ul>
        </section>
      )}
    </div>
  );
}
