import { NothingHere } from '../parts/NothingHere';

/** An address at which there is no place. */
export function NoPlace() {
  return <NothingHere what="There is nothing at this address." />;
}
