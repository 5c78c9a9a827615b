import { nanoid } from '@reduxjs/toolkit';
import { useState } from 'react';
import { LIMITS, within } from '@bienestar/contract/limits';
import { asId, type OfferId } from '@bienestar/core/house/ids';
import type { SoldCourse } from '@bienestar/core/house/house';
import { type Versioned } from '@bienestar/contract/api';
import { dueVisits } from '@bienestar/core/restock/forecast';
import { counted, dayText } from '../../../format/figures';
import { Button } from '../../../parts/Button';
import { Choice } from '../../../parts/Choice';
import { EarlierButton } from '../../../parts/EarlierButton';
import { NumberField } from '../../../parts/NumberField';
import { Segments } from '../../../parts/Segments';
import { TextField } from '../../../parts/TextField';
import { useHouse } from '../../../store/house';
import { useRecords } from '../../../store/useRecords';
import { useRestock } from '../../../store/restock';
import { useAddAndRemove, useChange } from '../../../store/useEditPart';
import { useChangeRestock } from './useChangeRestock';

/** Courses that are paid for: what they still promise is set aside from the shelf. */
export function CoursesPanel() {
  const { records: soldCourses, readEarlier } = useRecords('soldCourses');
  const house = useHouse();
  const { today } = useRestock();
  const change = useChangeRestock();
  const { add, busy } = useAddAndRemove('soldCourses');
  const courses = house.offers.filter(({ kind }) => kind === 'course');
  const [name, setName] = useState('');
  const [offerId, setOfferId] = useState<OfferId | ''>('');
  const sell = async (): Promise<void> => {
    if (offerId === '' || name.trim() === '') return;
    const sold: SoldCourse = {
      id: asId(nanoid(12)),
      name: name.trim(),
      offerId,
      soldOn: today,
      taken: 0,
    };
    if (await add(sold)) setName('');
  };
  return (
    <>
      <Segments
        label="The plan"
        value={house.settings.restock.courses}
        options={[
          { value: 'within-plan', label: 'contains their visits' },
          { value: 'besides-plan', label: 'leaves them out' },
        ]}
        onChoose={(next) => void change({ courses: next })}
      />
      <ul>
        {soldCourses.map((sold) => (
          <SoldLine key={sold.id} sold={sold} />
        ))}
      </ul>
      <EarlierButton onRead={readEarlier} />
      {courses.length === 0 ? (
        <p className="text-sm text-ink-soft">
          No course is on the menu yet: courses stand under Menu, Courses and packages.
        </p>
      ) : (
        <div className="flex items-end gap-2">
          <Choice<OfferId | ''>
            className="flex-1"
            label="Course"
            value={offerId}
            options={courses.map((course) => ({ value: course.id, label: course.name }))}
            onChoose={setOfferId}
          />
          <TextField className="flex-1" label="Sold to" value={name} onCommit={setName} />
          <Button
            disabled={busy || offerId === '' || name.trim() === ''}
            onClick={() => void sell()}
          >
            Sold
          </Button>
        </div>
      )}
    </>
  );
}

function SoldLine({ sold }: { readonly sold: Versioned<SoldCourse> }) {
  const house = useHouse();
  const { today } = useRestock();
  const change = useChange('soldCourses', sold);
  const { remove } = useAddAndRemove('soldCourses');
  const course = house.offers.find(({ id }) => id === sold.offerId);
  const due = dueVisits(house, today).filter(({ soldCourse }) => soldCourse.id === sold.id);
  return (
    <li className="flex items-end gap-3 border-b border-line py-2 text-sm">
      <p className="min-w-0 flex-1">
        <span className="font-semibold">{sold.name}</span>
        <span className="block text-ink-soft">
          {course?.name ?? 'no longer on the menu'}, {dayText(sold.soldOn)};{' '}
          {due[0]
            ? `${counted(due.length, 'visit')} to come, the next ${dayText(due[0].day)}`
            : 'nothing to come'}
        </span>
      </p>
      <NumberField
        className="w-20"
        label="Taken"
        commitOn="leaving"
        value={sold.taken}
        check={within(LIMITS.taken)}
        onCommit={(taken) => change({ taken })}
      />
      <Button weight="remove" aria-label={`Remove ${sold.name}`} onClick={() => void remove(sold)}>
        Remove
      </Button>
    </li>
  );
}
