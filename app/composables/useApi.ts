import { FetchError } from 'ofetch'
import { type Problem, problem } from '#core/problems'

/** An answer that was a refusal: the problem, and whatever else came with it. */
export class Refusal extends Error {
  constructor(
    readonly problem: Problem,
    readonly body: unknown,
  ) {
    super(problem.sentence)
  }
}

const OFFLINE: Problem = {
  ...problem('unexpected'),
  status: 0,
  sentence: 'The server cannot be reached. What you did is still here in this window; try again in a moment.',
}

export type Method = 'GET' | 'POST' | 'PUT' | 'DELETE'

/**
 * Calls /api with the token that proves the request comes from the studio. Throws `Refusal`, nothing else.
 * `hear` is given the text of the answer as it came.
 */
export async function useApi<T>(
  method: Method,
  path: string,
  body?: object,
  hear?: (text: string) => void,
): Promise<T> {
  const { csrf, headerName } = useCsrf()
  try {
    const parseResponse = (text: string): T => {
      hear?.(text)
      return JSON.parse(text) as T
    }
    return await $fetch<T>(`/api${path}`, {
      method,
      body,
      headers: { [headerName]: csrf },
      retry: 0,
      ...(hear && { parseResponse }),
    })
  } catch (error) {
    if (error instanceof FetchError && error.data) {
      const found = (error.data as { problem?: Problem }).problem
      throw new Refusal(found ?? problem('unexpected'), error.data)
    }
    throw new Refusal(OFFLINE, null)
  }
}
