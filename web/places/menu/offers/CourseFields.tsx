import { Plus, X } from 'lucide-react';
import { LIMITS, within } from '@bienestar/contract/limits';
import type { Course, CourseVisits } from '@bienestar/core/house/house';
import { counted } from '../../../format/figures';
import { Button, IconButton } from '../../../parts/Button';
import { Choice } from '../../../parts/Choice';
import { NumberField } from '../../../parts/NumberField';
import { Segments } from '../../../parts/Segments';
import { useHouse } from '../../../store/house';
import type { OfferChange } from './offerChange';

const LEAVING = { commitOn: 'leaving' } as const;

/** The visits of a course, how far apart they are, and what is promised with it. */
export function CourseFields({ course, put }: OfferChange & { readonly course: Course }) {
  const { services } = useHouse();
  const [first] = services;
  const putVisits = (visits: readonly CourseVisits[]): Promise<string | undefined> =>
    put({ visits });
  return (
    <>
      <ul aria-label="Visits of the course" className="flex flex-col gap-2">
        {course.visits.map((visits, at) => {
          const change = (changes: Partial<CourseVisits>): Promise<string | undefined> =>
            putVisits(course.visits.with(at, { ...visits, ...changes }));
          return (
            <li
              key={at}
              className="grid grid-cols-[3.5rem_minmax(0,1fr)_7.5rem_2rem] items-end gap-2"
            >
              <NumberField
                {...LEAVING}
                label="Times"
                labelHidden={at > 0}
                value={visits.times}
                check={within(LIMITS.courseVisits)}
                onCommit={(times) => change({ times })}
              />
              <Choice
                label="Service"
                labelHidden={at > 0}
                value={visits.serviceId}
                options={services.map(({ id, name }) => ({ value: id, label: name }))}
                onChoose={(serviceId) => void change({ serviceId })}
              />
              <Choice
                label="As"
                labelHidden={at > 0}
                value={visits.visitKind}
                options={[
                  { value: 'first', label: 'first visit' },
                  { value: 'returning', label: 'later visit' },
                ]}
                onChoose={(visitKind) => void change({ visitKind })}
              />
              <IconButton
                label={`Leave out ${counted(visits.times, 'visit')}`}
                className="mb-0.5"
                disabled={course.visits.length === 1}
                onClick={() => void putVisits(course.visits.toSpliced(at, 1))}
              >
                <X aria-hidden size={16} />
              </IconButton>
            </li>
          );
        })}
      </ul>
      {first && (
        <Button
          className="self-start"
          onClick={() =>
            void putVisits([
              ...course.visits,
              {
                serviceId: course.visits[0]?.serviceId ?? first.id,
                visitKind: 'returning',
                times: 1,
              },
            ])
          }
        >
          <Plus aria-hidden size={16} /> More visits
        </Button>
      )}
      <div className="grid grid-cols-2 items-start gap-3">
        <NumberField
          {...LEAVING}
          label="From visit to visit"
          unit="days"
          value={course.everyDays}
          check={within(LIMITS.courseDays)}
          onCommit={(everyDays) => put({ everyDays })}
        />
        <NumberField
          {...LEAVING}
          label="Valid for"
          unit="days"
          value={course.validDays}
          check={within(LIMITS.courseDays)}
          onCommit={(validDays) => put({ validDays })}
        />
      </div>
      <Segments
        label="Paid"
        value={course.prepaid ? 'before' : 'each'}
        options={[
          { value: 'before', label: 'at the start' },
          { value: 'each', label: 'visit by visit' },
        ]}
        onChoose={(paid) => void put({ prepaid: paid === 'before' })}
      />
      <Segments
        label="A missed visit"
        value={course.missed}
        options={[
          { value: 'made-up', label: 'is made up' },
          { value: 'lost', label: 'is lost' },
        ]}
        onChoose={(missed) => void put({ missed })}
      />
    </>
  );
}
