import { Link } from 'react-router';
import { LABEL_LOOK } from '../../parts/FieldFrame';
import type { PlaceOfUse } from './placesOfUse';

/** Where a thing is used, each place with its link. */
export function UsedIn({ places }: { readonly places: readonly PlaceOfUse[] }) {
  return (
    <div>
      <h3 className={`${LABEL_LOOK} font-sans`}>Used in</h3>
      {places.length === 0 ? (
        <p className="text-sm text-ink-soft">Nothing uses it yet.</p>
      ) : (
        <ul className="text-sm">
          {places.map((place) => (
            <li key={place.address}>
              <Link to={place.address} className="text-palm underline underline-offset-4">
                {place.name}
              </Link>
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}
