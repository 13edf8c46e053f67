/** Why a file cannot be written, by the system's code. */
const WHY: Readonly<Record<string, string>> = {
  ENOSPC: 'The disk is full. Make room',
  EDQUOT: 'The space this user may use is full. Make room',
  EROFS: 'The disk can only be read. Choose another place',
  EACCES: 'This user may not write there. Give it the right to, or choose another place',
  EPERM: 'This user may not write there. Give it the right to, or choose another place',
  ENOENT: 'There is no such folder. Make it, or choose another place',
};

/** What is wrong with a disk, and what to do, in words; null where it is not the disk. */
export function diskTrouble(file: string, error: unknown): string | null {
  const code = error instanceof Error && 'code' in error ? String(error.code) : '';
  const why = WHY[code];
  return why === undefined ? null : `${file} was not written. ${why}, then do it again: nothing was changed.`;
}
