import { Redo2, Undo2 } from 'lucide-react';
import { useEffect } from 'react';
import { useMatch } from 'react-router';
import { useAppDispatch, useAppSelector } from '../store/store';
import { doAgain, takeBack } from '../store/takeBack';
import { deedWords } from '../store/undo';
import { IconButton } from './Button';
import { isTyping, wayOfKeys } from './undoKeys';

/** Takes back what was done last, wherever one is; a workbench has its own. */
export function UndoButtons() {
  const dispatch = useAppDispatch();
  const done = useAppSelector(({ undo }) => undo.done.at(-1));
  const undone = useAppSelector(({ undo }) => undo.undone.at(-1));
  const isAtWorkbench = useIsAtWorkbench();
  useEffect(() => {
    if (isAtWorkbench) return;
    const onKey = (event: KeyboardEvent): void => {
      const way = isTyping(event.target) ? undefined : wayOfKeys(event);
      if (way === undefined) return;
      event.preventDefault();
      void dispatch(way === 'back' ? takeBack() : doAgain());
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [dispatch, isAtWorkbench]);
  if (isAtWorkbench) return null;
  return (
    <div className="flex">
      <IconButton
        label="Undo the last change"
        title={done ? `Undo: ${deedWords(done)}` : 'Nothing to undo yet'}
        aria-keyshortcuts="Control+Z"
        disabled={!done}
        onClick={() => void dispatch(takeBack())}
      >
        <Undo2 aria-hidden size={18} />
      </IconButton>
      <IconButton
        label="Redo the last change"
        title={undone ? `Redo: ${deedWords(undone)}` : 'Nothing to redo'}
        aria-keyshortcuts="Control+Y"
        disabled={!undone}
        onClick={() => void dispatch(doAgain())}
      >
        <Redo2 aria-hidden size={18} />
      </IconButton>
    </div>
  );
}

function useIsAtWorkbench(): boolean {
  const protocol = useMatch('/protocols/:protocolId/:stepId?');
  const block = useMatch('/protocols/blocks/:protocolId/:stepId?');
  const { stepId } = protocol?.params ?? {};
  return block !== null || (protocol !== null && stepId !== 'card' && stepId !== 'tray');
}
