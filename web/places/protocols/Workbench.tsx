import { nanoid } from '@reduxjs/toolkit';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { useNavigate, useParams } from 'react-router';
import type { Client } from '@bienestar/core/house/client';
import type { Line, Minutes, Protocol } from '@bienestar/core/house/house';
import { indexHouse } from '@bienestar/core/house/houseIndex';
import { asId, type StepId } from '@bienestar/core/house/ids';
import { isStep } from '@bienestar/core/house/protocol';
import { added, addedAll, type NewLine } from '@bienestar/core/protocol/addSteps';
import { changeStep, nudgeStep, putBeside } from '@bienestar/core/protocol/editSteps';
import { lineOfStep } from '@bienestar/core/protocol/expandBlocks';
import { insertExcerpt, removeSteps, renewed } from '@bienestar/core/protocol/severalSteps';
import { deviceStrands } from '@bienestar/core/time/deviceStrands';
import { vocabularyOf } from '@bienestar/core/stepLine/vocabulary';
import { Ribbon } from '../../figures/Ribbon';
import { Button } from '../../parts/Button';
import { EmptyPlace } from '../../parts/EmptyPlace';
import { Loading } from '../../parts/Loading';
import { isTyping, wayOfKeys } from '../../parts/undoKeys';
import { NothingHere } from '../../parts/NothingHere';
import { redone, undone, type DraftPart } from '../../store/drafts';
import { useSnapshot } from '../../store/house';
import { useAppDispatch } from '../../store/store';
import { ConflictSheet } from './ConflictSheet';
import { BlockInspector } from './inspector/BlockInspector';
import { StepInspector } from './inspector/StepInspector';
import { NEW_IDS, newStep } from './newStep';
import { PasteSheet } from './PasteSheet';
import { PutInBlock } from './PutInBlock';
import { RunningSum } from './RunningSum';
import { ShownFor } from './ShownFor';
import { StepLineBar } from './StepLineBar';
import { StepList } from './StepList';
import { copySteps, stepsToPaste } from './stepsClipboard';
import { TickedSteps } from './TickedSteps';
import { useDraft } from './useDraft';
import { clientOfService, useShownService } from './useShownService';
import { WorkbenchHeader } from './WorkbenchHeader';

interface WorkbenchProps {
  readonly part: DraftPart;
}

/** A protocol or block open for work: steps, the step in hand, the running sum and the ribbon. */
export function Workbench({ part }: WorkbenchProps) {
  const { protocolId = '', stepId } = useParams();
  const snapshot = useSnapshot();
  const { draft, edit, isKnown } = useDraft(protocolId, part);
  const navigate = useNavigate();
  const dispatch = useAppDispatch();
  const [nameStep, setNameStep] = useState<string>();
  const [ticked, setTicked] = useState<ReadonlySet<StepId>>(new Set());
  const [pasting, setPasting] = useState<string>();
  const [choosingClient, setChoosingClient] = useState(false);
  const lineInput = useRef<HTMLInputElement>(null);
  const [client, setClient] = useState<Client>(() =>
    clientOfService(
      snapshot.services.find(
        (service) => service.protocolId === protocolId && service.visitKind === 'returning',
      ) ?? snapshot.services.find((service) => service.protocolId === protocolId),
    ),
  );
  const shown = useShownService(draft, client);
  const house = shown?.house;
  const worked = shown?.worked;
  const clock = shown?.figures.schedule;
  const devices = useMemo(
    () =>
      house && worked && clock?.ok
        ? deviceStrands(worked, clock.value, indexHouse(house).devices)
        : [],
    [clock, house, worked],
  );
  const { materials, mixes, devices: machines, protocols, settings } = snapshot;
  const words = useMemo(
    () => vocabularyOf({ materials, mixes, devices: machines, protocols, settings }),
    [materials, mixes, machines, protocols, settings],
  );
  const pull = useCallback(
    (id: string, minutes: Minutes): void =>
      edit((protocol) => changeStep(protocol, lineOfStep(asId(id)), { minutes })),
    [edit],
  );
  const dropInto = useCallback(
    (id: string, hostId: string): void =>
      edit((protocol) => putBeside(protocol, asId(id), lineOfStep(asId(hostId)))),
    [edit],
  );

  /* What was put in comes in hand a moment later: who types on at once goes on after it all the same. */
  const onItsWay = useRef<string>(undefined);
  useEffect(() => {
    if (onItsWay.current === stepId) onItsWay.current = undefined;
  }, [stepId]);
  const base = part === 'protocols' ? '/protocols' : '/protocols/blocks';
  const select = useCallback(
    (id: string): void => {
      onItsWay.current = undefined;
      void navigate(`${base}/${protocolId}/${lineOfStep(asId(id))}`, { replace: true });
    },
    [base, navigate, protocolId],
  );

  useEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      if (event.key === '/' && !isTyping(event.target)) {
        event.preventDefault();
        lineInput.current?.focus();
      }
      const way = wayOfKeys(event);
      if (way === undefined) return;
      event.preventDefault();
      dispatch(way === 'back' ? undone(protocolId) : redone(protocolId));
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [dispatch, protocolId]);

  /* Who has said the first step goes on with the next, in the field that has taken the place of the first. */
  const goesOn = useRef(false);
  const hasSteps = (draft?.present.steps.length ?? 0) > 0;
  useEffect(() => {
    if (!hasSteps || !goesOn.current) return;
    goesOn.current = false;
    lineInput.current?.focus();
  }, [hasSteps]);

  if (!isKnown && !draft) {
    return (
      <NothingHere
        what={`There is no such ${part === 'blocks' ? 'block' : 'protocol'} in the house.`}
      />
    );
  }
  if (!draft || !shown) return <Loading what="Opening the protocol" />;

  const { present } = draft;
  const selected = present.steps.find((line) => line.id === stepId) ?? present.steps[0];
  const put = (what: NewLine, after: Line | undefined): void => {
    const behind = after && (onItsWay.current ?? after.id);
    edit((protocol) => {
      const line = protocol.steps.find(({ id }) => id === behind);
      return added(protocol, what, line ?? after, NEW_IDS.other);
    });
    select(what.line.id);
    onItsWay.current = what.line.id;
  };
  const add = (after?: Line): void => {
    const line = newStep();
    put({ line }, after);
    setNameStep(line.id);
  };
  const inHand: ReadonlySet<StepId> =
    ticked.size > 0 ? ticked : new Set(selected ? [selected.id] : []);
  const remove = (): void => {
    const gone = present.steps.findIndex((line) => inHand.has(line.id));
    const left = present.steps.filter((line) => !inHand.has(line.id));
    edit((protocol) => removeSteps(protocol, inHand));
    setTicked(new Set());
    const next = left[Math.min(gone, left.length - 1)];
    if (next) select(next.id);
  };
  const copy = (how: 'copy' | 'cut'): void => {
    copySteps(present, inHand, words);
    if (how === 'cut') remove();
  };
  const paste = (): void => {
    void stepsToPaste().then((pasted) => {
      if (pasted === undefined) return;
      if (typeof pasted === 'string') {
        setPasting(pasted);
        return;
      }
      const excerpt = renewed(pasted, () => nanoid(12));
      edit((protocol) => insertExcerpt(protocol, excerpt, selected?.id));
      const [first] = excerpt.steps;
      if (first) select(first.id);
    });
  };
  const change = (make: (protocol: Protocol) => Protocol): void => edit(make);
  const { schedule } = shown.figures;

  return (
    <div className="flex h-full flex-col">
      <ConflictSheet draft={draft} words={words} />
      <WorkbenchHeader
        draft={draft}
        edit={edit}
        shown={shown}
        choosingClient={choosingClient}
        onChooseClient={() => setChoosingClient(!choosingClient)}
      />
      {choosingClient && <ShownFor client={client} written={shown.written} onChange={setClient} />}
      {selected ? (
        <div className="columns-of-place lg:grid-cols-[minmax(19rem,1fr)_minmax(21rem,25rem)_16rem] xl:grid-cols-[minmax(26rem,1fr)_minmax(24rem,27rem)_19rem]">
          <StepList
            protocol={present}
            shown={shown}
            selectedId={selected.id}
            ticked={ticked}
            onTick={setTicked}
            onSelect={select}
            onAdd={add}
            onRemove={remove}
            onNudge={(line, direction) =>
              edit((protocol) => nudgeStep(protocol, line.id, direction))
            }
            onCopy={copy}
            onPaste={paste}
            edit={edit}
            toolbar={
              ticked.size > 1 && (
                <TickedSteps
                  protocol={present}
                  ticked={ticked}
                  onCopy={copy}
                  onRemove={remove}
                  onDone={() => setTicked(new Set())}
                  edit={change}
                />
              )
            }
          >
            <StepLineBar
              words={words}
              inputRef={lineInput}
              protocol={present}
              after={selected}
              onSay={(what) => put(what, selected)}
              onPasteMany={setPasting}
            />
            <PutInBlock
              protocol={present}
              after={selected}
              onPut={(line) => put({ line }, selected)}
            />
          </StepList>
          {isStep(selected) ? (
            <StepInspector
              key={selected.id}
              protocol={present}
              step={selected}
              edit={edit}
              shown={shown}
              words={words}
              focusName={nameStep === selected.id}
              onNamed={() => setNameStep(undefined)}
              onRemove={remove}
            />
          ) : (
            <BlockInspector
              key={selected.id}
              use={selected}
              protocol={present}
              blocks={indexHouse(shown.house).blocks}
              edit={edit}
              onRemove={remove}
            />
          )}
          <RunningSum shown={shown} protocol={present} edit={edit} sold={part === 'protocols'} />
        </div>
      ) : (
        <div className="flex-1 px-6 py-8">
          <EmptyPlace
            title="No steps yet"
            action={
              <div className="flex flex-wrap items-center gap-3">
                <div className="flex w-full max-w-3xl items-center gap-1">
                  <StepLineBar
                    words={words}
                    inputRef={lineInput}
                    protocol={present}
                    after={undefined}
                    onSay={(what) => {
                      goesOn.current = true;
                      put(what, undefined);
                    }}
                    onPasteMany={setPasting}
                  />
                </div>
                <Button weight="main" onClick={() => add()}>
                  Write the first step
                </Button>
                <PutInBlock
                  protocol={present}
                  after={undefined}
                  onPut={(line) => put({ line }, undefined)}
                />
              </div>
            }
          >
            Begin with preparing the room, or with the first touch. Minutes, amounts and cost are
            counted from the first step on.
          </EmptyPlace>
        </div>
      )}
      {schedule.ok && (
        <Ribbon
          schedule={schedule.value}
          devices={devices}
          selectedStepId={selected?.id}
          onSelect={select}
          onMinutes={pull}
          onDropInto={dropInto}
        />
      )}
      <PasteSheet
        text={pasting}
        words={words}
        after={selected?.id}
        onClose={() => setPasting(undefined)}
        onAdd={(lines) => {
          edit((protocol) => addedAll(protocol, lines, selected, NEW_IDS.other));
          const [first] = lines;
          if (first) select(first.line.id);
        }}
      />
    </div>
  );
}
