import { readdirSync, readFileSync, readlinkSync } from 'node:fs';
import { commandOf } from './database-files.mjs';

/**
 * Which process listens on a port of this machine; null where none does. As far as this user may look: a process of
 * somebody else has no number.
 * @param {number} port
 * @returns {{ pid: number | null, command: string } | null}
 */
export function whoHas(port) {
  const inode = ['/proc/net/tcp', '/proc/net/tcp6'].map((table) => listening(table, port)).find(Boolean);
  if (!inode) return null;
  for (const name of readdirSync('/proc').filter((entry) => /^\d+$/.test(entry))) {
    if (holds(name, `socket:[${inode}]`)) {
      return { pid: Number(name), command: commandOf(Number(name)).trim().slice(0, 120) };
    }
  }
  return { pid: null, command: 'of another user' };
}

/** The socket that listens on a port, by a table of the kernel. @param {string} table @param {number} port */
function listening(table, port) {
  const wanted = port.toString(16).toUpperCase().padStart(4, '0');
  for (const line of read(table).split('\n').slice(1)) {
    const [, local = '', , state, , , , , , inode] = line.trim().split(/\s+/);
    // 0A: listening.
    if (state === '0A' && local.endsWith(`:${wanted}`)) return inode;
  }
  return null;
}

/** @param {string} pid @param {string} socket */
function holds(pid, socket) {
  try {
    return readdirSync(`/proc/${pid}/fd`).some((fd) => readlinkSync(`/proc/${pid}/fd/${fd}`) === socket);
  } catch {
    return false;
  }
}

/** @param {string} file */
function read(file) {
  try {
    return readFileSync(file, 'utf8');
  } catch {
    return '';
  }
}
