import { Link, useParams } from 'react-router';
import { explainUnitCost } from '@bienestar/core/explain/explainUnitCost';
import type { Material } from '@bienestar/core/house/house';
import { asId } from '@bienestar/core/house/ids';
import { dayText, unitMoney } from '../../format/figures';
import { Problems } from '../../parts/Problems';
import { WorkedFigure } from '../../parts/working/WorkedFigure';
import { useFigures, useHouse, useSnapshot } from '../../store/house';
import { useChange } from '../../store/useEditPart';
import { BoughtFacet } from './BoughtFacet';
import { CareFacet } from './CareFacet';
import { KitFields } from './KitFields';
import { LaundryFields } from './LaundryFields';
import { LeftFacet } from './LeftFacet';
import { KIND_WORDS } from './materialWords';
import { MeasuresEditor } from './MeasuresEditor';
import type { PlaceOfUse } from './placesOfUse';
import { ShelfAttention } from './ShelfAttention';
import { UsedFacet } from './UsedFacet';

interface MaterialPanelProps {
  readonly id: string | undefined;
  readonly places: readonly PlaceOfUse[];
  readonly onGone: () => void;
}

const FACET_WORDS = {
  left: 'What is left',
  box: 'In the box',
  bought: 'Bought',
  measured: 'Measured',
  care: 'Care',
  used: 'Used',
} as const;
type Facet = keyof typeof FACET_WORDS;

/** The sides of a material that its kind has; the first is shown unless another is asked for. */
function facetsOf(material: Material): readonly Facet[] {
  if (material.kind === 'linen') return ['bought', 'care', 'used'];
  if (material.kind === 'kit') return ['left', 'box', 'bought', 'care', 'used'];
  return material.unit === 'piece'
    ? ['left', 'bought', 'care', 'used']
    : ['left', 'bought', 'measured', 'care', 'used'];
}

/** One material in hand: every field saves as it is left. */
export function MaterialPanel({ id, places, onGone }: MaterialPanelProps) {
  const house = useHouse();
  const { facet } = useParams();
  const material = useSnapshot().materials.find((each) => each.id === id);
  const cost = useFigures().materials.get(asId(id ?? ''))?.unitCost;
  const change = useChange('materials', material);
  if (!material) {
    return id === undefined ? (
      <ShelfAttention />
    ) : (
      <p className="px-6 py-8 font-serif text-lg text-ink-soft">This is no longer on the shelf.</p>
    );
  }
  const { currency } = house.settings;
  const facets = facetsOf(material);
  const shown = facets.find((each) => each === facet) ?? facets[0] ?? 'used';
  return (
    <div key={material.id} className="flex flex-col gap-4 px-5 py-5">
      <div>
        <p className="text-sm text-palm">{KIND_WORDS[material.kind].one}</p>
        <h2 className="text-2xl break-words">{material.name}</h2>
        {cost?.ok && (
          <p className="mt-1">
            <WorkedFigure
              label="True cost"
              text={unitMoney(cost.value, currency)}
              className="font-serif text-xl"
              working={() => explainUnitCost(material, cost.value, house)}
            />{' '}
            <span className="text-sm text-ink-soft">per {material.unit}, all in</span>
          </p>
        )}
        {material.archivedOn !== undefined && (
          <p className="mt-1 text-sm text-clay">Archived since {dayText(material.archivedOn)}.</p>
        )}
      </div>
      {cost && !cost.ok && <Problems problems={cost.problems} />}
      <nav aria-label={`Sides of ${material.name}`} className="flex border-b border-line">
        {facets.map((each) => (
          <Link
            key={each}
            to={`/shelf/${material.id}/${each}`}
            aria-current={each === shown ? 'page' : undefined}
            className="-mb-px border-b-2 border-transparent px-2.5 py-1.5 text-sm whitespace-nowrap text-ink-soft first:pl-0 hover:text-ink aria-[current=page]:border-clay aria-[current=page]:font-semibold aria-[current=page]:text-ink"
          >
            {FACET_WORDS[each]}
          </Link>
        ))}
      </nav>
      {shown === 'left' && material.kind !== 'linen' && <LeftFacet material={material} />}
      {shown === 'bought' &&
        (material.kind === 'linen' ? (
          <LaundryFields laundry={material.laundry} change={change} />
        ) : (
          <BoughtFacet material={material} change={change} />
        ))}
      {shown === 'box' && material.kind === 'kit' && (
        <KitFields material={material} change={change} />
      )}
      {shown === 'measured' && <MeasuresEditor material={material} change={change} />}
      {shown === 'care' && <CareFacet material={material} change={change} />}
      {shown === 'used' && (
        <UsedFacet material={material} change={change} places={places} onGone={onGone} />
      )}
    </div>
  );
}
