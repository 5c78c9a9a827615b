import { describe, expect, it } from 'vitest';
import { digestOf, wasAnswered, writeIdFor } from './writeIds';

describe('the id of a write', () => {
  it('is the same until an answer comes, and another one afterwards', async () => {
    const digest = await digestOf('PUT', '/rooms/lava', { name: 'Lava', version: 3 });
    const first = writeIdFor(digest);
    expect(writeIdFor(digest)).toBe(first);
    wasAnswered(digest);
    expect(writeIdFor(digest)).not.toBe(first);
    wasAnswered(digest);
  });

  it('is another one for anything else that is asked', async () => {
    const asked = await Promise.all([
      digestOf('PUT', '/rooms/lava', { version: 3 }),
      digestOf('PUT', '/rooms/lava', { version: 4 }),
      digestOf('PUT', '/rooms/duna', { version: 3 }),
      digestOf('DELETE', '/rooms/lava?version=3', undefined),
    ]);
    expect(new Set(asked.map(writeIdFor)).size).toBe(4);
    asked.forEach(wasAnswered);
  });
});
