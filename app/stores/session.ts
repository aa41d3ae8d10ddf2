import { defineStore } from 'pinia'
import { includesRole } from '#core/model'
import { computed, ref } from 'vue'
import type { FoundingInput, SessionAnswer, User } from '#shared/api/types'

/** Who is signed in. */
export const useSession = defineStore('session', () => {
  const user = ref<User | null>(null)
  const site = ref('')
  const secure = ref(true)
  const founded = ref(true)
  const asked = ref(false)

  /** Writers look at the design and choose among what is offered; designers and owners change it. */
  const mayDesign = computed(() => user.value !== null && includesRole(user.value.role, 'designer'))

  async function load(): Promise<void> {
    const answer = await useApi<SessionAnswer>('GET', '/session')
    user.value = answer.user
    site.value = answer.site
    secure.value = answer.secure
    founded.value = answer.founded
    asked.value = true
  }

  async function signIn(mail: string, password: string): Promise<void> {
    user.value = (await useApi<{ user: User }>('POST', '/session', { mail, password })).user
  }

  /** Founds the site; whoever does is its owner, and signed in. */
  async function found(input: FoundingInput): Promise<void> {
    user.value = (await useApi<{ user: User }>('POST', '/founding', input)).user
    founded.value = true
    site.value = input.site.name
  }

  async function signOut(): Promise<void> {
    await useApi('DELETE', '/session')
    user.value = null
  }

  async function changePassword(current: string, next: string): Promise<void> {
    await useApi('PUT', '/password', { current, next })
  }

  /** Ends one's own sessions everywhere, or everybody's. */
  async function endSessions(of: 'me' | 'everybody'): Promise<void> {
    await useApi('DELETE', '/sessions', { of })
    user.value = null
  }

  const isOwner = computed(() => user.value !== null && includesRole(user.value.role, 'owner'))
  return {
    user,
    site,
    secure,
    founded,
    asked,
    mayDesign,
    isOwner,
    load,
    signIn,
    found,
    signOut,
    changePassword,
    endSessions,
  }
})
