import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import { dayOf } from '@bienestar/core/days/days';
import { isAdoptable, withLesson } from '@bienestar/core/learn/adopt';
import type { LessonEffect, NowAndThen } from '@bienestar/core/learn/effect';
import type { Lesson } from '@bienestar/core/learn/lesson';
import { adoptionBetween } from '@bienestar/core/whatIf/adoption';
import { LONGEST_NOTE } from '@bienestar/core/house/limits';
import { NotWorkedOut } from '../../parts/NotWorkedOut';
import { FormFault } from '../../parts/FormFault';
import { dayText, money, number } from '../../format/figures';
import { PointsInOrder } from '../../figures/PointsInOrder';
import { ShareSeen } from '../../figures/ShareSeen';
import { Button } from '../../parts/Button';
import { TextField } from '../../parts/TextField';
import { figures, names, TableHead } from '../../parts/TableHead';
import { toast } from '../../parts/toast';
import { useHouse } from '../../store/house';
import { useAdopt } from '../../store/useAdopt';
import { useChangeSettings } from '../../store/useEditPart';
import { lessonPicture, lessonShare, lessonWords } from './lessonWords';
import { askLogbook } from './useLogbook';

/** One lesson: its reason, its picture, what adopting it does; adopted with undo, or declined with a reason. */
export function LessonInHand({ lesson }: { readonly lesson: Lesson }) {
  const house = useHouse();
  const { settings } = house;
  const { sentence, where, reason, advice } = lessonWords(lesson, house);
  const adopt = useAdopt();
  const [isBusy, setIsBusy] = useState(false);
  const picture = lessonPicture(lesson);
  const share = lessonShare(lesson);
  const declined = settings.declinedLessons?.find(({ key }) => key === lesson.key);
  const take = async (): Promise<void> => {
    setIsBusy(true);
    await adopt(
      adoptionBetween(house, withLesson(house, lesson, 'drafts')),
      undefined,
      `Adopted: ${advice}`,
    );
    setIsBusy(false);
  };
  return (
    <article aria-label="Lesson" className="flex max-w-3xl flex-col gap-4">
      <header>
        <p className="text-sm text-ink-soft">{where}</p>
        <h2 className="text-2xl">{sentence}</h2>
        <p className="mt-2">{reason}</p>
        {'measured' in lesson.about && lesson.about.measured.firstOutside !== undefined && (
          <p className="text-sm text-ink-soft">
            It left its limits with{' '}
            <Link
              to={`/logbook/${lesson.about.measured.firstOutside}`}
              className="text-palm underline underline-offset-4"
            >
              this visit
            </Link>
            .
          </p>
        )}
      </header>
      {share && (
        <ShareSeen
          label={`${sentence} ${reason}`}
          share={share.seen.share}
          low={share.seen.low}
          high={share.seen.high}
          written={share.written}
          writtenWords={share.words}
        />
      )}
      {picture && (
        <PointsInOrder
          label={`${sentence} ${reason}`}
          points={picture.measured.points.map(({ visit, at, value, counts }) => ({
            key: `${visit}/${at}/${value}`,
            value,
            counts,
            title: `${dayText(dayOf(new Date(at), settings.timeZone))}: ${picture.textOf(value)}`,
          }))}
          written={picture.written}
          proposed={picture.proposed}
          textOf={picture.textOf}
        />
      )}
      {picture && picture.measured.people.length > 1 && (
        <table className="w-full max-w-lg text-sm">
          <TableHead
            columns={[...names('By'), ...figures('Visits', 'On average', 'Reckoned with')]}
          />
          <tbody>
            {picture.measured.people.map(({ personId, n, mean, pulled }) => (
              <tr key={personId} className="border-b border-line">
                <td className="py-1">
                  {house.people.find(({ id }) => id === personId)?.name ?? 'somebody who left'}
                </td>
                <td className="py-1 text-right">{number(n, 0)}</td>
                <td className="py-1 text-right">{picture.textOf(mean)}</td>
                <td className="py-1 text-right">{picture.textOf(pulled)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <section aria-label="What to do">
        <p className="text-lg">{advice}</p>
        {isAdoptable(lesson) && <Effect lesson={lesson} />}
        {declined && (
          <p className="mt-2 text-sm text-ink-soft">
            Declined on {dayText(declined.on)}: {declined.why}
          </p>
        )}
        <div className="mt-3 flex flex-wrap items-end gap-3">
          {isAdoptable(lesson) && (
            <Button weight="main" disabled={isBusy} onClick={() => void take()}>
              Adopt it
            </Button>
          )}
          {!declined && <Decline lesson={lesson} />}
        </div>
      </section>
    </article>
  );
}

function Decline({ lesson }: { readonly lesson: Lesson }) {
  const { settings } = useHouse();
  const change = useChangeSettings();
  const [isOpen, setIsOpen] = useState(false);
  const [why, setWhy] = useState('');
  const [fault, setFault] = useState<string>();
  if (!isOpen) return <Button onClick={() => setIsOpen(true)}>Decline it</Button>;
  const decline = async (): Promise<void> => {
    if (why.trim() === '') return setFault('Say in a word why.');
    const { key, size } = lesson;
    const on = dayOf(new Date(), settings.timeZone);
    const refused = await change((latest) => ({
      declinedLessons: [
        ...(latest.declinedLessons ?? []).filter((each) => each.key !== key),
        { key, on, why: why.trim(), size: Math.round(size * 1e6) / 1e6 },
      ],
    }));
    if (refused !== undefined) return setFault(refused);
    toast('Declined: it is not told again until it has grown by half.');
    return undefined;
  };
  return (
    <div className="flex flex-wrap items-end gap-2">
      <TextField
        label="Why not"
        value={why}
        onCommit={setWhy}
        longest={LONGEST_NOTE}
        className="w-72"
      />
      <Button onClick={() => void decline()}>Decline it</Button>
      <FormFault fault={fault} />
    </div>
  );
}

/** What adopting a lesson does, worked out away from the page; nothing until it is there. */
function useEffectOf(lesson: Lesson): LessonEffect | 'failed' | undefined {
  const house = useHouse();
  const [effect, setEffect] = useState<LessonEffect | 'failed'>();
  useEffect(() => {
    let isGone = false;
    const take = (of: LessonEffect | 'failed'): void => {
      if (!isGone) setEffect(of);
    };
    askLogbook((logbook) => logbook.effect(house, lesson, new Date().toISOString())).then(
      take,
      () => take('failed'),
    );
    return () => {
      isGone = true;
    };
  }, [house, lesson]);
  return effect;
}

function Effect({ lesson }: { readonly lesson: Lesson }) {
  const { settings, materials } = useHouse();
  const effect = useEffectOf(lesson);
  if (effect === 'failed') return <NotWorkedOut what="What it does" />;
  if (!effect) return <p className="text-sm text-ink-soft">Working out what it does …</p>;
  const { services, orderPoints } = effect;
  if (services.length + orderPoints.length === 0)
    return <p className="text-sm text-ink-soft">It changes no slot, cost, price or order point.</p>;
  const minutes = (of: NowAndThen | undefined): string =>
    of ? `${number(of.now, 1)} → ${number(of.then, 1)}` : 'as now';
  const coins = (of: NowAndThen | undefined): string =>
    of ? `${money(of.now, settings.currency)} → ${money(of.then, settings.currency)}` : 'as now';
  const unitOf = (id: string): string => materials.find((each) => each.id === id)?.unit ?? '';
  return (
    <div className="mt-2 flex flex-col gap-3">
      {services.length > 0 && (
        <table className="w-full text-sm">
          <TableHead
            columns={[
              ...names('Service'),
              ...figures('Room, min', 'Slot, min', 'Full cost', 'Price'),
            ]}
          />
          <tbody>
            {services.map(({ serviceId, name, roomMinutes, slotMinutes, cost, price }) => (
              <tr key={serviceId} className="border-b border-line">
                <td className="py-1">{name}</td>
                <td className="py-1 pl-4 text-right whitespace-nowrap">{minutes(roomMinutes)}</td>
                <td className="py-1 pl-4 text-right whitespace-nowrap">{minutes(slotMinutes)}</td>
                <td className="py-1 pl-4 text-right whitespace-nowrap">{coins(cost)}</td>
                <td className="py-1 pl-4 text-right whitespace-nowrap">{coins(price)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {orderPoints.length > 0 && (
        <p className="text-sm">
          Order {orderPoints.length === 1 ? 'point that moves' : 'points that move'}:{' '}
          {orderPoints
            .map(
              ({ materialId, name, now, then }) =>
                `${name} ${number(now, 1)} → ${number(then, 1)} ${unitOf(materialId)}`,
            )
            .join('; ')}
        </p>
      )}
      <p className="text-sm text-ink-soft">
        It goes into the draft or the shelf; what is published stays until it is published anew.
      </p>
    </div>
  );
}
