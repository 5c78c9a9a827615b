import { Download, FileUp } from 'lucide-react';
import { useRef, useState } from 'react';
import type { Supplier } from '@bienestar/core/house/house';
import { percent } from '../../format/figures';
import { Button } from '../../parts/Button';
import { INPUT_LOOK, LABEL_LOOK } from '../../parts/FieldFrame';
import { useLazyPriceListQuery } from '../../store/api';
import { refusalWords } from '../../store/refusals';
import { LARGEST_LIST, type ListInput } from '../../workers/readCells';
import type { ReviewState } from './useListReview';

interface ListSourceProps {
  readonly supplier: Supplier;
  readonly state: Exclude<ReviewState, { is: 'review' }>;
  readonly onRead: (input: ListInput) => Promise<void>;
  readonly onCancel: () => void;
  readonly onFail: (message: string) => void;
}

/** Where a list may come from: the supplier, a file, or cells pasted from a spreadsheet. */
export function ListSource({ supplier, state, onRead, onCancel, onFail }: ListSourceProps) {
  const input = useRef<HTMLInputElement>(null);
  const [fetchList, { isFetching }] = useLazyPriceListQuery();
  const [pasted, setPasted] = useState('');
  const fetchIt = async (): Promise<void> => {
    const answer = await fetchList(supplier.id);
    if (answer.data) {
      await onRead({ is: 'text', ...answer.data });
      return;
    }
    onFail(refusalWords(answer.error));
  };
  const choose = async (file: File | undefined): Promise<void> => {
    if (!file) return;
    if (file.size > LARGEST_LIST) {
      onFail(`${file.name} is larger than the 20 MB that a list may have.`);
      return;
    }
    await onRead({ is: 'file', name: file.name, bytes: await file.arrayBuffer() });
  };
  if (state.is === 'reading') {
    return (
      <div className="flex items-center gap-4 px-6 py-6" role="status">
        <progress aria-label={`Reading ${state.name}`} value={state.share} max={1} />
        Reading {state.name}, {percent(state.share, 0)}
        <Button onClick={onCancel}>Cancel</Button>
      </div>
    );
  }
  return (
    <div className="flex max-w-3xl flex-col gap-6 px-6 py-4">
      {state.is === 'failed' && (
        <p role="alert" className="border-l-2 border-clay bg-clay-wash px-3 py-2">
          ▲ {state.message}
        </p>
      )}
      {supplier.feed !== undefined && (
        <div className="flex items-center gap-4">
          <Button weight="main" disabled={isFetching} onClick={() => void fetchIt()}>
            <Download aria-hidden size={16} />{' '}
            {isFetching ? 'Waiting for the supplier …' : 'Fetch the list of today'}
          </Button>
          <p className="text-sm text-ink-soft">As the supplier publishes it now.</p>
        </div>
      )}
      <div className="flex items-center gap-4">
        <Button onClick={() => input.current?.click()}>
          <FileUp aria-hidden size={16} /> Choose a file
        </Button>
        <p className="text-sm text-ink-soft">CSV or XLSX, up to 20 MB.</p>
        <input
          ref={input}
          type="file"
          aria-label="Price list file"
          accept=".csv,.tsv,.txt,.xlsx"
          className="sr-only"
          tabIndex={-1}
          onChange={(event) => {
            void choose(event.target.files?.[0]);
            event.target.value = '';
          }}
        />
      </div>
      <div className="flex flex-col items-start gap-2">
        <label htmlFor="pasted" className={LABEL_LOOK}>
          Or paste the cells, with their headings
        </label>
        <textarea
          id="pasted"
          rows={6}
          value={pasted}
          onChange={(event) => setPasted(event.target.value)}
          className={`${INPUT_LOOK} h-auto py-2 font-mono text-sm`}
        />
        <Button
          disabled={pasted.trim() === ''}
          onClick={() => void onRead({ is: 'text', name: 'pasted cells', text: pasted })}
        >
          Read what I pasted
        </Button>
      </div>
    </div>
  );
}
