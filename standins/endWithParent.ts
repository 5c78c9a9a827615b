/** Ends the process when whoever started it closes its stdin or sends SIGTERM. */
export function endWithParent(): void {
  const end = (): never => process.exit(0);
  process.once('SIGTERM', end);
  process.once('SIGINT', end);
  if (process.env.STOP_WITH_STDIN) process.stdin.once('close', end).resume();
}
