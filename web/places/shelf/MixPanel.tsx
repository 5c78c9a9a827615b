import { Link } from 'react-router';
import type { Mix } from '@bienestar/core/house/house';
import { amountWords } from '../../format/amountWords';
import { percent } from '../../format/figures';
import { LABEL_LOOK } from '../../parts/FieldFrame';
import { useHouse } from '../../store/house';
import { placesOfUse } from './placesOfUse';
import { UsedIn } from './UsedIn';

/** A mix: its parts for one batch, and where it is used. */
export function MixPanel({ mix }: { readonly mix: Mix }) {
  const house = useHouse();
  return (
    <div className="flex flex-col gap-4 px-5 py-6">
      <h2 className="text-2xl break-words">{mix.name}</h2>
      <div>
        <h3 className={`${LABEL_LOOK} font-sans`}>One batch</h3>
        <ul className="text-sm">
          {mix.parts.map((part, at) => {
            const { source } = part;
            const thing =
              source.kind === 'material'
                ? house.materials.find((each) => each.id === source.materialId)
                : house.mixes.find((each) => each.id === source.mixId);
            return (
              <li key={at}>
                {amountWords(part.amount)}{' '}
                <Link
                  to={`/shelf/${thing?.id ?? ''}`}
                  className="text-palm underline underline-offset-4"
                >
                  {thing?.name}
                </Link>
              </li>
            );
          })}
        </ul>
        <p className="mt-1 text-sm text-ink-soft">{percent(mix.bowlLoss)} stays in the bowl.</p>
      </div>
      <UsedIn places={placesOfUse(house, { kind: 'mix', id: mix.id })} />
    </div>
  );
}
