import fc from 'fast-check';
import Joi from 'joi';
import { describe, expect, it } from 'vitest';
import { checkAgainst } from './check';
import { LIMITS, outside, type Limits } from './limits';
import { limited, shape } from './schemas/common';

describe('the limits of a field', () => {
  it.each(Object.entries(LIMITS))(
    'of %s are the same in the form and on the server',
    (_name, of) => {
      const limits: Limits = of;
      const schema = Joi.object({ field: limited(limits) });
      const edges = [limits.least, limits.above, limits.most].filter((edge) => edge !== undefined);
      const near = fc.constantFrom(-1, -0.5, 0, 0.5, 1);
      const values = fc.oneof(
        fc.tuple(fc.constantFrom(...edges), near).map(([edge, by]) => edge + by),
        fc.integer({ min: -10_000, max: 200_000 }).map((millis) => millis / 1000),
      );
      fc.assert(
        fc.property(values, (field) => {
          const checked = checkAgainst(schema, { field });
          const said = checked.ok ? undefined : checked.faults[0]?.message;
          expect(outside(limits, field)).toBe(said);
        }),
      );
    },
  );
});

describe('a schema', () => {
  interface Thing {
    readonly name: string;
    readonly size?: number;
  }
  const [name, size] = [Joi.string().required(), Joi.number().optional()];

  it('compiles only as its type says it', () => {
    const right = shape<Thing>({ name, size });
    const wrong = [
      // @ts-expect-error -- a key is missing
      shape<Thing>({ name }),
      // @ts-expect-error -- a key that the type lacks
      shape<Thing>({ name, size, color: name }),
      // @ts-expect-error -- another kind of value
      shape<Thing>({ name: Joi.number().required(), size }),
      // @ts-expect-error -- what may be left out is needed
      shape<Thing>({ name, size: Joi.number().required() }),
      // @ts-expect-error -- what is needed may be left out
      shape<Thing>({ name: Joi.string().optional(), size }),
      // @ts-expect-error -- a value that the type does not have
      shape<{ kind: 'dry' | 'wet' }>({ kind: Joi.valid('dry', 'warm').required() }),
    ];
    expect(checkAgainst(right, { name: 'Lava' }).ok).toBe(true);
    expect(wrong).toHaveLength(6);
  });
});
