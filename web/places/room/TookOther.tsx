import { useState } from 'react';
import type { MaterialId } from '@bienestar/core/house/ids';
import type { RunAct } from '@bienestar/core/run/plan';
import type { RunState } from '@bienestar/core/run/standing';
import { takenBy, takenInAct, timesDone } from '@bienestar/core/run/used';
import { number } from '../../format/figures';
import { useHouse } from '../../store/house';
import { KnuckleButton } from './KnuckleButton';
import { WeighTaken } from './WeighTaken';

interface TookOtherProps {
  readonly act: RunAct;
  readonly state: RunState;
  readonly onTook: (draw: string, quantity: number, by?: 'weighed') => void;
  /** the container lies on the scale before something is taken of it */
  readonly onScale: (draw: string, grams: number) => void;
  /** another product was taken */
  readonly onInstead: (draw: string, materialId: MaterialId) => void;
}

/** What was really taken, where it was more or less: by pumps, drops and packs, or weighed. Folded until it is needed. */
export function TookOther({ act, state, onTook, onScale, onInstead }: TookOtherProps) {
  const house = useHouse();
  const [isOpen, setIsOpen] = useState(false);
  const [weighing, setWeighing] = useState<string>();
  const [changing, setChanging] = useState<string>();
  const taken = takenInAct(act, state, timesDone(state, state.inHand));
  if (taken.length === 0) return null;
  const materialOf = (id: string) => house.materials.find((each) => each.id === id);
  return (
    <div className={`flex flex-col gap-2 ${isOpen ? 'w-full' : ''}`}>
      <KnuckleButton
        aria-expanded={isOpen}
        className="self-start"
        onClick={() => setIsOpen(!isOpen)}
      >
        Took more or less
      </KnuckleButton>
      {isOpen &&
        taken.map((each) => {
          const material = materialOf(each.instead ?? each.draw.materialId);
          /* Only what is told in the same unit: the amount stays what it is. */
          const others = house.materials.filter(
            ({ id, unit, kind, archivedOn }) =>
              id !== material?.id &&
              kind === material?.kind &&
              unit === material.unit &&
              archivedOn === undefined,
          );
          const name = material?.name ?? 'no longer on the shelf';
          return (
            <div key={each.key} className="flex flex-wrap items-center gap-3">
              <KnuckleButton
                look="answer"
                aria-label={`Less ${name}`}
                onClick={() => onTook(each.key, takenBy(each, -1))}
              >
                −
              </KnuckleButton>
              <output aria-label={name} className="min-w-28 text-right text-2xl">
                {number(each.quantity)} {material?.unit}
              </output>
              <KnuckleButton
                look="answer"
                aria-label={`More ${name}`}
                onClick={() => onTook(each.key, takenBy(each, 1))}
              >
                +
              </KnuckleButton>
              {material && material.unit !== 'piece' && (
                <KnuckleButton
                  aria-expanded={weighing === each.key}
                  aria-label={`Weigh ${name}`}
                  onClick={() => setWeighing(weighing === each.key ? undefined : each.key)}
                >
                  Weigh
                </KnuckleButton>
              )}
              {others.length > 0 && (
                <KnuckleButton
                  aria-expanded={changing === each.key}
                  aria-label={`Another product than ${name}`}
                  onClick={() => setChanging(changing === each.key ? undefined : each.key)}
                >
                  Another
                </KnuckleButton>
              )}
              <span className="text-xl">
                {name}
                {(each.isOther || each.instead) && (
                  <span className="text-clay"> ▲ not as planned</span>
                )}
              </span>
              {changing === each.key && (
                <div className="flex w-full flex-wrap gap-2" role="group" aria-label="Instead">
                  {others.map((other) => (
                    <KnuckleButton
                      key={other.id}
                      onClick={() => {
                        onInstead(each.key, other.id);
                        setChanging(undefined);
                      }}
                    >
                      {other.name}
                    </KnuckleButton>
                  ))}
                </div>
              )}
              {material && weighing === each.key && (
                <WeighTaken
                  taken={each}
                  material={material}
                  onScale={(grams) => onScale(each.key, grams)}
                  onTook={(quantity) => onTook(each.key, quantity, 'weighed')}
                />
              )}
            </div>
          );
        })}
    </div>
  );
}
