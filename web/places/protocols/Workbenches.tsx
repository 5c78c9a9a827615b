import { useParams } from 'react-router';
import { Workbench } from './Workbench';

/** The workbench of a protocol; another one for another. */
export function ProtocolWorkbench() {
  return <Workbench key={useParams().protocolId} part="protocols" />;
}

/** The workbench of a block. */
export function BlockWorkbench() {
  return <Workbench key={useParams().protocolId} part="blocks" />;
}
