import type { Working } from '@bienestar/core/explain/working';
import { Sheet } from '../Sheet';
import { WorkingView } from './WorkingView';

interface WorkingSheetProps {
  readonly working: Working | undefined;
  readonly onClose: () => void;
}

/** The sheet on which a figure shows how it comes about. */
export function WorkingSheet({ working, onClose }: WorkingSheetProps) {
  return (
    <Sheet at="edge" open={working !== undefined} onClose={onClose} title={working?.title ?? ''}>
      {working && <WorkingView working={working} onLeave={onClose} />}
    </Sheet>
  );
}
