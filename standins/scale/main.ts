import { createServer as createHttpServer } from 'node:http';
import { createServer, type AddressInfo, type Socket } from 'node:net';
import { createInterface } from 'node:readline';
import { endWithParent } from '../endWithParent';
import { answerLine } from './protocol';
import { SimulatedScale, type ScaleFault } from './simulatedScale';

/*
 * The bench scale's stand-in: speaks its line protocol on loopback at SCALE_PORT, and is told on
 * SCALE_CONTROL_PORT what lies on it and what is wrong with it. Says `{"scale": port, "control": port}`.
 */

const FAULTS: readonly ScaleFault[] = ['none', 'unplugged', 'overload', 'unstable'];
const HOST = '127.0.0.1';
const scale = new SimulatedScale(() => performance.now());
const sockets = new Set<Socket>();

const line = createServer((socket) => {
  sockets.add(socket);
  socket.on('close', () => sockets.delete(socket));
  socket.on('error', () => socket.destroy());
  const lines = createInterface({ input: socket });
  lines.on('error', () => socket.destroy());
  lines.on('line', (text) => {
    socket.write(`${answerLine(text.slice(0, 64), scale)}\n`);
  });
});
let port = Number(process.env.SCALE_PORT ?? 0);

function plug(): Promise<void> {
  return new Promise((resolve) => {
    line.listen(port, HOST, () => {
      port = (line.address() as AddressInfo).port;
      resolve();
    });
  });
}

function unplug(): void {
  line.close();
  for (const socket of sockets) socket.destroy();
}

/** `POST /put?g=`, `POST /add?g=`, `POST /fault?is=`; 400 for anything else. */
const control = createHttpServer((request, response) => {
  const { pathname, searchParams } = new URL(request.url ?? '/', `http://${HOST}`);
  const grams = Number(searchParams.get('g'));
  const fault = FAULTS.find((each) => each === searchParams.get('is'));
  const obey = async (): Promise<boolean> => {
    if (request.method !== 'POST') return false;
    if (pathname === '/put' && Number.isFinite(grams)) scale.put(grams);
    else if (pathname === '/add' && Number.isFinite(grams)) scale.add(grams);
    else if (pathname === '/fault' && fault !== undefined) {
      scale.fail(fault);
      if (fault === 'unplugged') unplug();
      else if (!line.listening) await plug();
    } else return false;
    return true;
  };
  void obey().then((done) => response.writeHead(done ? 204 : 400).end());
});

await plug();
control.listen(Number(process.env.SCALE_CONTROL_PORT ?? 0), HOST, () => {
  const at = (control.address() as AddressInfo).port;
  process.stdout.write(`${JSON.stringify({ scale: port, control: at })}\n`);
});
endWithParent();
