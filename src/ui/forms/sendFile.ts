import type { Reply } from './reply';

/** Sends a file's text where files are taken. */
export async function sendFile<T>(what: `${'roster' | 'ways' | 'calendar' | 'course'}${'' | '-preview'}`, input: object): Promise<Reply<T>> {
  const response = await fetch(`/api/files/${what}`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(input),
  });
  return (await response.json()) as Reply<T>;
}
