import { proxy } from 'comlink';
import { useEffect, useMemo, useState } from 'react';
import { Link } from 'react-router';
import { lessonsToTell } from '@bienestar/core/learn/lessonsOf';
import type { Lesson } from '@bienestar/core/learn/lesson';
import { counted, percent } from '../../format/figures';
import { BackToList } from '../../parts/BackToList';
import { EmptyPlace } from '../../parts/EmptyPlace';
import { Fold } from '../../parts/Fold';
import { useHouse } from '../../store/house';
import { LessonInHand } from './LessonInHand';
import { LogbookHeader } from './LogbookHeader';
import { lessonWords } from './lessonWords';
import { askLogbook, useLogbook } from './useLogbook';

/** What the log teaches of the house as it is written now; nothing until it is worked out. */
function useLessons(): {
  readonly lessons: readonly Lesson[] | undefined;
  readonly share: number;
  readonly hasFailed: boolean;
} {
  const house = useHouse();
  const { isWhole, rows, hasFailed } = useLogbook();
  const { protocols, blocks, settings } = house;
  const [lessons, setLessons] = useState<readonly Lesson[]>();
  const [share, setShare] = useState(0);
  const [couldNot, setCouldNot] = useState(false);
  useEffect(() => {
    if (!isWhole) return undefined;
    let isGone = false;
    const onProgress = (done: number): void => {
      if (!isGone) setShare(done);
    };
    setCouldNot(false);
    askLogbook((logbook) => logbook.teach(house, proxy(onProgress))).then(
      (taught) => {
        if (!isGone) setLessons(taught);
      },
      () => {
        if (!isGone) setCouldNot(true);
      },
    );
    return () => {
      isGone = true;
    };
    /* What is taught depends on what is written and on the log, and on nothing else of the house. */
    // oxlint-disable-next-line react-hooks/exhaustive-deps
  }, [isWhole, rows, protocols, blocks, settings]);
  return { lessons, share, hasFailed: hasFailed || couldNot };
}

interface LessonsPlaceProps {
  /** the lesson in the address; empty where there is none */
  readonly inHand: string;
}

/** What the log teaches: each as a sentence, with its reason, its picture and what adopting it does. */
export function LessonsPlace({ inHand }: LessonsPlaceProps) {
  const house = useHouse();
  const { lessons, share, hasFailed } = useLessons();
  const { told, declined } = useMemo(
    () => lessonsToTell(lessons ?? [], house.settings.declinedLessons ?? []),
    [lessons, house.settings.declinedLessons],
  );
  const shown = [...told, ...declined].find(({ key }) => key === inHand) ?? told[0];
  return (
    <div className="flex h-full flex-col">
      <LogbookHeader title="What the log teaches">
        <p role="status" className="text-sm text-ink-soft">
          {hasFailed && '▲ The logbook cannot be read just now.'}
          {!hasFailed && !lessons && `Looking through the visits … ${percent(share, 0)}`}
          {!hasFailed && lessons && counted(told.length, 'lesson')}
        </p>
      </LogbookHeader>
      {lessons && told.length + declined.length === 0 ? (
        <div className="px-6 py-8">
          <EmptyPlace title="The log agrees with what is written">
            When visits take other minutes or amounts than written, more often than chance would
            have it, it is told here, with what it would change. A handful of visits is needed.
          </EmptyPlace>
        </div>
      ) : (
        <div
          data-shows={inHand === '' ? 'list' : 'hand'}
          className="columns-of-place lg:grid-cols-[minmax(0,26rem)_minmax(0,1fr)]"
        >
          <nav
            aria-label="Lessons"
            className="min-h-0 overflow-y-auto border-r border-line"
            tabIndex={0}
          >
            <Lessons lessons={told} inHand={shown?.key} />
            {declined.length > 0 && (
              <Fold title={`${counted(declined.length, 'lesson')} declined`}>
                <Lessons lessons={declined} inHand={shown?.key} />
              </Fold>
            )}
          </nav>
          <div className="min-h-0 overflow-y-auto bg-sheet px-4 py-4 sm:px-6" tabIndex={0}>
            {inHand !== '' && <BackToList to="/logbook/teaches" all="All lessons" />}
            {shown && <LessonInHand key={shown.key} lesson={shown} />}
          </div>
        </div>
      )}
    </div>
  );
}

interface LessonsProps {
  readonly lessons: readonly Lesson[];
  readonly inHand: string | undefined;
}

function Lessons({ lessons, inHand }: LessonsProps) {
  const house = useHouse();
  return (
    <ul>
      {lessons.map((lesson) => {
        const { sentence, where } = lessonWords(lesson, house);
        return (
          <li
            key={lesson.key}
            className={`relative border-b border-line px-4 py-2 sm:px-6 ${lesson.key === inHand ? 'bg-sheet shadow-[inset_3px_0_0_var(--color-clay)]' : 'hover:bg-sunk/60'}`}
          >
            {/* All of the line is pressed, and its name is the sentence. */}
            <Link
              to={`/logbook/teaches/${lesson.key}`}
              aria-current={lesson.key === inHand ? 'true' : undefined}
              className="block after:absolute after:inset-0"
            >
              {sentence}
            </Link>
            <span className="flex gap-2 text-sm text-ink-soft">
              <span className="min-w-0 flex-1 truncate">{where}</span>
              {lesson.sure === 'sure' ? '●● sure' : '●○ likely'}
            </span>
          </li>
        );
      })}
    </ul>
  );
}
