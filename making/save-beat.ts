/** Sends a beat to be kept; gives the sentence that says what is wrong, or null. */
export async function saveBeat(
  id: string,
  body: { stream: string; file: unknown; madeFrom: object; draftId: string },
): Promise<string | null> {
  const response = await fetch(`/api/v1/beats/${id}`, {
    method: 'PUT',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  }).catch(() => null);
  if (!response) return 'The beat could not be sent to this program. Is it still running?';
  if (response.ok) return null;
  const answer = (await response.json()) as { error: { message: string } };
  return answer.error.message;
}
