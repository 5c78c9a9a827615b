const lockOf = (window: string): string => `bienestar.window.${window}`;

/** Which windows of this browser are open: each holds a lock as long as it lives. */
export interface WindowLocks {
  /** holds the lock of this window until it goes */
  readonly hold: (window: string) => void;
  /** does it, alone, if that window is gone; answers whether it is */
  readonly ifGone: (window: string, then: () => Promise<void>) => Promise<boolean>;
  /** does it, alone, once that window is gone */
  readonly whenGone: (window: string, then: () => Promise<void>) => Promise<void>;
}

/** The windows of this browser; where it has no locks, what a window left is taken over when one is opened. */
export function windowLocks(locks: LockManager | undefined): WindowLocks {
  if (!locks) {
    return {
      hold: () => undefined,
      ifGone: async (_window, then) => then().then(() => true),
      whenGone: () => Promise.resolve(),
    };
  }
  return {
    hold: (window) => void locks.request(lockOf(window), () => new Promise(() => undefined)),
    ifGone: (window, then) =>
      locks.request(lockOf(window), { ifAvailable: true }, async (lock) => {
        if (lock) await then();
        return lock !== null;
      }),
    whenGone: (window, then) => locks.request(lockOf(window), then),
  };
}
