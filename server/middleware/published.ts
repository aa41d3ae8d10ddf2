import { installation } from '../services/installation'
import { answerVisitor, isStudioAddress } from '../services/visitors'
import { whoAsks } from '../utils/who'

/** While developing there is no listener of our own in front of Nitro; the built server never comes here. */
export default defineEventHandler(async (event) => {
  if (isStudioAddress(event.path)) return
  const { req, res } = event.node
  answerVisitor(await installation(hashPassword), req, res, whoAsks)
  event._handled = true
})
