import { useNotices } from '~/stores/notices'

/** Asks something of the server of which a refusal is told where it was said, and any other failure as everywhere. */
export function useInPlace() {
  const notices = useNotices()
  const refused = ref('')

  /** Gives what was answered; undefined where it was refused or failed, which is told. */
  async function attempt<T>(work: () => Promise<T>): Promise<T | undefined> {
    refused.value = ''
    try {
      return await work()
    } catch (error) {
      if (error instanceof Refusal && error.problem.status === 422) refused.value = error.problem.sentence
      else notices.fail(error)
      return undefined
    }
  }

  return { refused, attempt }
}
