import { useCallback, useRef, useState } from 'react';
import { API, type HouseSnapshot, type OpeningLine } from '@bienestar/contract/api';
import { type ProblemDocument } from '@bienestar/contract/problems';
import type { Fault } from '@bienestar/contract/check';
import { toast } from '../parts/toast';
import { api } from './api';
import { useAppDispatch } from './store';

/** A way in which a house is put in the place of the one in use. */
export type Opening =
  | { readonly from: 'file'; readonly file: File }
  | { readonly from: 'copy'; readonly name: string }
  | {
      readonly from: 'beginning';
      readonly begin: 'new' | 'demo';
      /** in the place of the house that is here */
      readonly instead?: boolean;
    };

/** How an opening goes. */
export type OpeningState =
  | { readonly state: 'none' }
  | { readonly state: 'opening'; readonly share: number }
  | { readonly state: 'refused'; readonly faults: readonly Fault[] };

const REQUESTS: {
  readonly [F in Opening['from']]: (
    opening: Extract<Opening, { from: F }>,
  ) => readonly [string, RequestInit];
} = {
  file: ({ file }) => [`${API}/house/file`, { method: 'PUT', body: file }],
  copy: ({ name }) => [`${API}/copies/${name}/bring-back`, { method: 'POST' }],
  beginning: ({ begin, instead }) => [
    `${API}/house`,
    {
      method: 'POST',
      body: JSON.stringify({ begin, instead }),
      headers: { 'content-type': 'application/json' },
    },
  ],
};

/** Opens houses, tells how far it is, and can be broken off; until the end nothing is changed. */
export function useOpening() {
  const [state, setState] = useState<OpeningState>({ state: 'none' });
  const breaking = useRef<AbortController>(undefined);
  const dispatch = useAppDispatch();
  const open = useCallback(
    async (opening: Opening): Promise<boolean> => {
      /* Pressed twice it is one opening. */
      if (breaking.current) return false;
      const abort = new AbortController();
      breaking.current = abort;
      setState({ state: 'opening', share: 0 });
      try {
        const [url, request] = requestOf(opening);
        const house = await readLines(url, { ...request, signal: abort.signal }, (share) =>
          setState({ state: 'opening', share }),
        );
        if (Array.isArray(house)) {
          setState({ state: 'refused', faults: house as readonly Fault[] });
          return false;
        }
        dispatch(
          api.util.invalidateTags([
            'Ledger',
            'Prices',
            'Editions',
            'Journal',
            'Counts',
            'Ended',
            'Copies',
          ]),
        );
        await dispatch(api.util.upsertQueryData('house', undefined, house as HouseSnapshot));
        setState({ state: 'none' });
        return true;
      } catch {
        setState(abort.signal.aborted ? { state: 'none' } : { state: 'refused', faults: [AWAY] });
        if (abort.signal.aborted) toast('Broken off: the house is as it was.');
        return false;
      } finally {
        breaking.current = undefined;
      }
    },
    [dispatch],
  );
  const breakOff = useCallback(() => breaking.current?.abort(), []);
  return { state, open, breakOff };
}

const AWAY: Fault = {
  pointer: '',
  code: 'away',
  message: 'The house does not answer just now; nothing was changed. Try again later.',
};

function requestOf(opening: Opening): readonly [string, RequestInit] {
  switch (opening.from) {
    case 'file':
      return REQUESTS.file(opening);
    case 'copy':
      return REQUESTS.copy(opening);
    case 'beginning':
      return REQUESTS.beginning(opening);
  }
}

/** The house at the end of the lines, or the faults for which it was refused. */
async function readLines(
  url: string,
  request: RequestInit,
  onProgress: (share: number) => void,
): Promise<HouseSnapshot | readonly Fault[]> {
  const headers = new Headers(request.headers);
  headers.set('accept', 'application/x-ndjson');
  const answer = await fetch(url, { ...request, headers });
  if (!answer.ok) return faultsOf((await answer.json()) as ProblemDocument);
  const reader = answer.body?.pipeThrough(new TextDecoderStream()).getReader();
  let rest = '';
  for (;;) {
    const { done, value = '' } = (await reader?.read()) ?? { done: true };
    rest += value;
    const lines = rest.split('\n');
    rest = lines.pop() ?? '';
    for (const text of lines) {
      const line = JSON.parse(text) as OpeningLine;
      if ('house' in line) return line.house;
      if ('problem' in line) return faultsOf(line.problem);
      onProgress(line.progress);
    }
    if (done) throw new Error('The answer breaks off.');
  }
}

function faultsOf({ errors, detail }: ProblemDocument): readonly Fault[] {
  return errors ?? [{ pointer: '', code: 'refused', message: detail }];
}
