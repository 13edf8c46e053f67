import type { Server as HttpServer } from 'node:http';
import { createServer, type Server, type Socket } from 'node:net';

/** The first byte of a TLS connection: a handshake (RFC 8446, 5.1). */
const HANDSHAKE = 0x16;
/** Who says nothing for so long has no business here, ms. */
const PATIENCE_MS = 10_000;

/**
 * One port for both: whoever speaks TLS is let through to the shop, whoever types the address without https is answered
 * in plain HTTP and shown the way.
 */
export const frontDoor = (secure: HttpServer, plain: HttpServer): Server =>
  createServer((socket) => {
    const giveUp = (): void => void socket.destroy();
    socket.setTimeout(PATIENCE_MS, giveUp);
    socket.once('error', giveUp);
    socket.once('data', (first: Buffer) => {
      socket.pause();
      socket.setTimeout(0);
      socket.off('timeout', giveUp);
      socket.off('error', giveUp);
      hand(socket, first, first[0] === HANDSHAKE ? secure : plain);
    });
  });

function hand(socket: Socket, first: Buffer, server: HttpServer): void {
  socket.unshift(first);
  server.emit('connection', socket);
  // Only once whoever has it now listens.
  process.nextTick(() => socket.resume());
}
