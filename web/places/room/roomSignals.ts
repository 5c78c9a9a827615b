import { useEffect, useRef } from 'react';
import type { ContactStage } from '@bienestar/core/run/runTimes';

const SOFT_HZ = 440;
const LOUD_HZ = 880;
const TONE_SECONDS = 0.25;

let audio: AudioContext | undefined;

/** A few tones one after the other; silent where the machine has no sound, or allows none yet. */
function sound(hertz: number, times: number, volume: number): void {
  try {
    audio ??= new AudioContext();
    for (let at = 0; at < times; at += 1) {
      const from = audio.currentTime + at * TONE_SECONDS * 2;
      const [tone, gain] = [audio.createOscillator(), audio.createGain()];
      tone.frequency.value = hertz;
      gain.gain.value = volume;
      tone.connect(gain).connect(audio.destination);
      tone.start(from);
      tone.stop(from + TONE_SECONDS);
    }
  } catch {
    /* A room without sound has the colour and the word. */
  }
}

/** Says once, by sound and by shaking, that a contact is soon over, and louder that it must come off. */
export function useContactSignal(stage: ContactStage | undefined): void {
  const last = useRef<ContactStage | undefined>(undefined);
  useEffect(() => {
    if (stage !== last.current && stage === 'soon') sound(SOFT_HZ, 1, 0.1);
    if (stage !== last.current && stage === 'off-now') {
      sound(LOUD_HZ, 3, 0.4);
      if ('vibrate' in navigator) navigator.vibrate([400, 200, 400]);
    }
    last.current = stage;
  }, [stage]);
}

/** Keeps the screen on while it is needed, where the machine lets it. */
export function useScreenAwake(isNeeded: boolean): void {
  useEffect(() => {
    if (!isNeeded || !('wakeLock' in navigator)) return undefined;
    let lock: WakeLockSentinel | undefined;
    let isOver = false;
    const hold = (): void => {
      if (document.visibilityState !== 'visible') return;
      navigator.wakeLock.request('screen').then(
        (held) => {
          if (isOver) void held.release();
          else lock = held;
        },
        () => undefined,
      );
    };
    hold();
    document.addEventListener('visibilitychange', hold);
    return () => {
      isOver = true;
      document.removeEventListener('visibilitychange', hold);
      void lock?.release();
    };
  }, [isNeeded]);
}
