/** One change to the book; null when it was taken, else the sentence that says why not. */
export async function send(
  path: string,
  method: 'PUT' | 'PATCH' | 'POST' | 'DELETE',
  body?: unknown,
): Promise<string | null> {
  const response = await fetch(path, {
    method,
    ...(body !== undefined && {
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    }),
  }).catch(() => null);
  if (!response) return 'This could not be sent to the program. Is it still running?';
  if (response.ok) return null;
  return ((await response.json()) as { error: { message: string } }).error.message;
}
