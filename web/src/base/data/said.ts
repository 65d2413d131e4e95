interface Refused {
  data?: { error?: { message?: string; fields?: { message: string }[] } }
}

/** Why the server refused something, in its words, of fields first; where it says nothing, `silence`. */
export function saidOf(
  error: unknown,
  silence = 'The server does not answer. Nothing was changed.',
): string {
  const refused = (error as Refused | null | undefined)?.data?.error
  const fields = refused?.fields?.map(({ message }) => message).join(' ')
  return fields || (refused?.message ?? silence)
}
