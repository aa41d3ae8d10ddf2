import { installation } from '../services/installation'
import { answerVisitor, isStudioAddress } from '../services/visitors'

/** While developing there is no listener of our own in front of Nitro; the built server never comes here. */
export default defineEventHandler(async (event) => {
  if (isStudioAddress(event.path)) return
  const site = await installation()
  const { req, res } = event.node
  answerVisitor(site, req, res, (cookies) => site.sessions.userOf(cookies))
  event._handled = true
})
