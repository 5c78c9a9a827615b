/**
 * Works something out and tells the page how it goes. The answer waits until all that was told has arrived: the two
 * go by ports of their own, of which a browser at work may empty either first, and what comes late would stand over
 * the answer.
 * @param tell what the page handed over
 */
export async function toldFirst<Told, Answer>(
  tell: (told: Told) => unknown,
  work: (tell: (told: Told) => void) => Answer | Promise<Answer>,
): Promise<Answer> {
  const arriving: unknown[] = [];
  const answer = await work((told) => void arriving.push(tell(told)));
  await Promise.all(arriving);
  return answer;
}
