import type { Grade } from '@bienestar/core/house/settings';
import { MoneyField } from '../../parts/MoneyField';
import { PercentField } from '../../parts/PercentField';
import { TextField } from '../../parts/TextField';
import { useSnapshot } from '../../store/house';
import { inOneGo, type Together } from '../../store/undo';
import { useChangeOf, useChangeSettings } from '../../store/useEditPart';
import { AddLine, Line, Section } from './Section';

const LEAVING = { commitOn: 'leaving' } as const;
const HIGHEST_ON_COST = 3;

/** Grades of pay: who is of a grade is paid by it. */
export function GradesPanel() {
  const { settings, people } = useSnapshot();
  const { grades = [] } = settings;
  const change = useChangeSettings();
  const changePerson = useChangeOf('people');
  const put = (next: readonly Grade[], together?: Together): Promise<string | undefined> =>
    change({ grades: next.length === 0 ? undefined : next }, together);
  /* Nobody is paid otherwise for a grade's having another name, or none. */
  const rename = async (at: number, grade: Grade, name: string): Promise<string | undefined> => {
    const together = inOneGo(`${grade.name} is called ${name} now`);
    const refused = await put(grades.with(at, { ...grade, name }), together);
    if (refused !== undefined) return refused;
    for (const person of people.filter((each) => each.grade === grade.name)) {
      void changePerson(person, { grade: name }, together);
    }
    return undefined;
  };
  const remove = (at: number, { name, hourlyPayMinor, onCost }: Grade): void => {
    const together = inOneGo(`${name} was removed`);
    for (const person of people.filter(({ grade }) => grade === name)) {
      const own = { grade: undefined, hourlyPayMinor, onCost: person.onCost ?? onCost };
      void changePerson(person, own, together);
    }
    void put(grades.toSpliced(at, 1), together);
  };
  const fresh = (): string => {
    const taken = new Set(grades.map(({ name }) => name));
    let at = grades.length + 1;
    while (taken.has(`Grade ${at}`)) at += 1;
    return `Grade ${at}`;
  };
  return (
    <Section title="Grades of pay">
      <p className="text-sm text-ink-soft">
        Where several people are paid alike: change the grade, and all of them are paid by it.
      </p>
      {grades.map((grade, at) => {
        const putGrade = (changes: Partial<Grade>): Promise<string | undefined> =>
          put(grades.with(at, { ...grade, ...changes }));
        const { onCost: _onCost, ...withoutOnCost } = grade;
        const paid = people.filter((person) => person.grade === grade.name).length;
        return (
          <Line key={grade.name} name={grade.name} onRemove={() => remove(at, grade)}>
            <TextField
              {...LEAVING}
              className="flex-1"
              labelHidden={at > 0}
              label={at > 0 ? `Grade ${at + 1}` : 'Grade'}
              needed
              value={grade.name}
              onCommit={(name) => rename(at, grade, name)}
            />
            <MoneyField
              {...LEAVING}
              className="w-32"
              labelHidden={at > 0}
              label={at > 0 ? `Pay of ${grade.name}` : 'Pay'}
              per="/h"
              value={grade.hourlyPayMinor}
              onCommit={(hourlyPayMinor) => putGrade({ hourlyPayMinor })}
            />
            <PercentField
              {...LEAVING}
              className="w-28"
              labelHidden={at > 0}
              label={at > 0 ? `On-cost of ${grade.name}` : 'Its on-cost'}
              to={HIGHEST_ON_COST}
              value={grade.onCost}
              onCommit={(onCost) => putGrade({ onCost })}
              onClear={() => void put(grades.with(at, withoutOnCost))}
            />
            <span className="mb-2 w-20 text-sm text-ink-soft">
              {paid} {paid === 1 ? 'person' : 'people'}
            </span>
          </Line>
        );
      })}
      <AddLine
        what="Add a grade"
        onAdd={() => void put([...grades, { name: fresh(), hourlyPayMinor: 1400 }])}
      />
    </Section>
  );
}
