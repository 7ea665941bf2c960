import { imported, type Imported } from '@escalier/contract/archive';
import { ask } from '../../api.ts';

/** Sends an archive as it is, from the disk of the device. @throws ApiError as `ask` does. */
export async function sendArchive(file: Blob): Promise<Imported> {
  const headers = { 'content-type': 'application/json' };
  return ask(fetch('/api/archive', { method: 'POST', headers, body: file }), imported);
}
