import type { ArrivedFile } from './api.service';

/** A chosen file's bytes as base64, whatever its encoding: the server says whether it can be read. */
export const base64Of = (file: Blob): Promise<string> =>
  new Promise((resolve, reject) => {
    const reader = new FileReader();
    reader.onload = () => {
      // A data URL: everything behind the comma is the bytes. An empty file has none.
      resolve(typeof reader.result === 'string' ? (reader.result.split(',')[1] ?? '') : '');
    };
    reader.onerror = () => {
      reject(new Error('The file could not be read from the disk.'));
    };
    reader.readAsDataURL(file);
  });

/** Bytes that came as base64. */
export const bytesOf = (base64: string): Uint8Array<ArrayBuffer> =>
  Uint8Array.from(atob(base64), (sign) => sign.charCodeAt(0));

/** Hands a file to the browser to save. */
export function saveFile({ name, bytes }: ArrivedFile): void {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(bytes);
  link.download = name;
  link.click();
  URL.revokeObjectURL(link.href);
}
