import { createServer } from 'node:net';
import { Refusal } from './say.mjs';

function tryPort(port) {
  return new Promise((resolve) => {
    const server = createServer();
    server.once('error', (error) => resolve({ error }));
    server.listen(port, '127.0.0.1', () => {
      const { port: got } = server.address();
      server.close(() => resolve({ port: got }));
    });
  });
}

/** A port on loopback that nobody listens on. */
export async function freePort() {
  return (await tryPort(0)).port;
}

/** The preferred port, or any other free one when it is taken. */
export async function preferredPort(preferred) {
  const { port } = await tryPort(preferred);
  return port ?? freePort();
}

/** Exactly this port, or a refusal. */
export async function chosenPort(wanted) {
  const port = Number(wanted);
  if (!Number.isInteger(port) || port < 1 || port > 65535) {
    throw new Refusal(`"${wanted}" is no port: please give a number from 1 to 65535.`);
  }
  const { error } = await tryPort(port);
  if (error?.code === 'EACCES')
    throw new Refusal(`Port ${port} may only be opened by root: please choose one above 1023.`);
  if (error !== undefined)
    throw new Refusal(`Port ${port} is busy: please stop what uses it or start with another --port.`);
  return port;
}
