import { useEffect, useState } from 'react';
import type * as sonnerModule from 'sonner';
import { whenIdle } from './whenIdle';
import { showToastsBy } from './toast';

type Sonner = typeof sonnerModule;

/** Where short notes are shown. */
export function Toasts() {
  const [sonner, setSonner] = useState<Sonner>();
  useEffect(() => whenIdle(() => void import('sonner').then(setSonner)), []);
  /* The part that shows them listens before this runs. */
  useEffect(() => {
    if (!sonner) return;
    const { toast } = sonner;
    showToastsBy((kind, words, options) => {
      const by = kind === 'plain' ? toast : toast[kind];
      by(words, options);
    });
  }, [sonner]);
  if (!sonner) return null;
  const { Toaster } = sonner;
  return <Toaster position="bottom-center" toastOptions={{ className: 'bienestar-toast' }} />;
}
