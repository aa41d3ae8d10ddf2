import { useSession } from '~/stores/session'

/** Everything but the sign-in is for those who may use the studio. */
export default defineNuxtRouteMiddleware(async (to) => {
  if (!to.path.startsWith('/studio')) return
  const session = useSession()
  // Its code comes while it is asked who is here.
  if (!session.asked) void preloadRouteComponents(to.fullPath).catch(() => {})
  if (!session.asked) await session.load()
  if (!session.founded) return to.path === '/studio/begin' ? undefined : navigateTo('/studio/begin')
  const may = session.user !== null && session.user.role !== 'member'
  if (to.path === '/studio/sign-in' || to.path === '/studio/begin') return may ? navigateTo('/studio') : undefined
  if (!may) return navigateTo({ path: '/studio/sign-in', query: { then: to.fullPath } })
})
