// Before the framework: where it listens, who may connect, and what it must know of a connection. Only Node's own modules.
import { lookup } from 'node:dns/promises';
import http from 'node:http';
import { networkInterfaces } from 'node:os';

const ANY = ['0.0.0.0', '::'];
const plain = (address) => (address ?? '').replace(/^::ffff:/i, '');
const isLoopback = (address) => plain(address) === '::1' || plain(address).startsWith('127.');

/**
 * Where HODMAN_HOST asks to listen: an address or a name of this machine, or 0.0.0.0 for all of them; further names by which it
 * is called stand behind commas. `local` are the addresses at which somebody may connect beside the loopback (undefined: all).
 */
export async function listening(host) {
  const [first = ''] = (host ?? '').split(',').map((each) => each.trim());
  if (first === '') return { bind: '127.0.0.1', beyond: false, local: [] };
  if (ANY.includes(first)) return { bind: first, beyond: true, local: undefined };
  const local = await lookup(first.replace(/^\[|\]$/g, ''), { all: true }).then(
    (all) => all.map(({ address }) => address),
    () => [],
  );
  if (local.length > 0 && local.every(isLoopback)) return { bind: '127.0.0.1', beyond: false, local: [] };
  const own = Object.values(networkInterfaces()).flatMap((all) => (all ?? []).map(({ address }) => address));
  if (!local.some((each) => own.includes(each)))
    throw new Error(
      `HODMAN_HOST is ${first}, which is no address of this machine. It has ${own.filter((each) => !isLoopback(each)).join(', ') || 'none beside the loopback'}.`,
    );
  return { bind: local.some((each) => each.includes(':')) ? '::' : '0.0.0.0', beyond: true, local };
}

/**
 * Stands before every server that is made in this process: TRACE is turned away, for it gives back what it was sent and the
 * framework stumbles over it; who connects at another address of this machine than was asked for is not answered; and each
 * request says where it comes from, whatever it says itself.
 */
export function standBefore(local) {
  const { createServer: create } = http;
  http.createServer = (...asked) => {
    const server = create(...asked);
    const emit = server.emit.bind(server);
    server.emit = (event, ...told) => {
      if (event === 'connection') {
        const at = plain(told[0].localAddress);
        if (local !== undefined && !isLoopback(at) && !local.includes(at)) {
          told[0].destroy();
          return true;
        }
      }
      if (event !== 'request') return emit(event, ...told);
      const [request, response] = told;
      if (request.method === 'TRACE') {
        response.writeHead(405, { allow: 'GET, HEAD, POST', 'content-type': 'text/plain' });
        response.end('Hodman knows GET, HEAD and POST.');
        return true;
      }
      const from = request.socket.remoteAddress;
      request.headers['x-hodman-from'] = isLoopback(from) ? 'here' : plain(from);
      return emit(event, ...told);
    };
    return server;
  };
}
