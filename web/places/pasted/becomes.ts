import type { Several, Versioned } from '@bienestar/contract/api';
import { minorPerMajor } from '@bienestar/contract/currency';
import type { House, MaterialKind } from '@bienestar/core/house/house';
import type { Supplier } from '@bienestar/core/house/supplier';
import {
  materialsFrom,
  peopleFrom,
  servicesFrom,
  visitsFrom,
  type PastedFault,
  type PastedMaterial,
  type RowChoice,
} from '@bienestar/core/pasted/fromRows';
import type { PastedKind, PastedRow } from '@bienestar/core/pasted/pastedRows';
import { decimalMark } from '../../format/decimal';
import { counted, money, number } from '../../format/figures';
import { packWords } from '../shelf/materialWords';

/** What was guessed of a row, which somebody may know better. */
interface Guess {
  readonly kind: MaterialKind;
  readonly isKindGuessed: boolean;
  readonly supplier: Supplier | undefined;
  readonly isSupplierGuessed: boolean;
}

/** What pasted rows become, to be looked at and then written all together. */
export interface Becomes {
  readonly lines: readonly {
    readonly row: number;
    readonly name: string;
    /** what it will be, in words */
    readonly words: string;
    readonly guess?: Guess;
  }[];
  readonly faults: readonly PastedFault[];
  readonly several: Several;
}

/** What rows become in this house. */
export function becomes(
  kind: PastedKind,
  rows: readonly PastedRow[],
  house: House,
  choices: ReadonlyMap<number, RowChoice>,
  newId: () => string,
): Becomes {
  const { currency } = house.settings;
  const terms = { minorPerMajor: minorPerMajor(currency), decimalMark: decimalMark(), newId };
  switch (kind) {
    case 'materials': {
      const { things, faults, suppliers } = materialsFrom(rows, house, terms, choices);
      return {
        faults,
        lines: things.map((thing) => ({
          row: thing.row,
          name: thing.material.name,
          words: packWords(thing.material, currency),
          guess: guessOf(thing),
        })),
        several: {
          suppliers: suppliers.map(begun),
          materials: things.map(({ material }) => begun(material)),
        },
      };
    }
    case 'services': {
      const { things, faults } = servicesFrom(rows, house, terms);
      return {
        faults,
        lines: things.map(({ row, service, protocol }) => ({
          row,
          name: service.name,
          words: `${minutesOf(protocol)} min, ${money(service.pricing?.ownMinor ?? 0, currency)}; its protocol has one step to begin with`,
        })),
        several: {
          protocols: things.map(({ protocol }) => begun(protocol)),
          services: things.map(({ service }) => begun(service)),
        },
      };
    }
    case 'people': {
      const { things, faults } = peopleFrom(rows, house, terms);
      return {
        faults,
        lines: things.map(({ row, name, role, hourlyPayMinor }) => ({
          row,
          name,
          words: `${role}, ${money(hourlyPayMinor, currency)} an hour`,
        })),
        several: { people: things.map(({ row: _row, ...person }) => begun(person)) },
      };
    }
    case 'visits': {
      const { things, faults } = visitsFrom(rows, house, terms);
      return {
        faults,
        lines: things.map(({ row, serviceId, visitsPerWeek }) => ({
          row,
          name: house.services.find(({ id }) => id === serviceId)?.name ?? '',
          words: `${counted(visitsPerWeek, 'visit')} a week`,
        })),
        several: { demand: things.map(({ row: _row, ...line }) => ({ version: 0, ...line })) },
      };
    }
  }
}

/** What the house does not have yet. */
function begun<T extends object>(value: T): Versioned<T> {
  return { ...value, version: 0 };
}

function guessOf(of: PastedMaterial): Guess {
  const { material, supplier, isKindGuessed, isSupplierGuessed } = of;
  return { kind: material.kind, supplier, isKindGuessed, isSupplierGuessed };
}

function minutesOf({ steps }: { readonly steps: readonly object[] }): string {
  const [step] = steps as readonly { readonly minutes?: { readonly usual: number } }[];
  return number(step?.minutes?.usual ?? 0);
}
