import { join } from 'node:path'
import { type MailInbox, openMailStandIn } from '../../stand-ins/mail'
import { type PaymentStandIn, openPaymentStandIn } from '../../stand-ins/payment'
import { log } from './log'

/** What stands for the services of others in a demo, on this machine alone; their folders lie with the data. */
export interface StandIns {
  mail: MailInbox
  payment: PaymentStandIn
  close(): Promise<void>
}

/** `secret` is what the provider and the shop know of each other. */
export async function openStandIns(folder: string, secret: string): Promise<StandIns> {
  const mail = await openMailStandIn(join(folder, 'stand-ins', 'mail'))
  const late = Number(process.env.OUTER_FRAME_STAND_IN_LATE)
  const payment = await openPaymentStandIn(secret, {
    folder: join(folder, 'stand-ins', 'payment'),
    ...(Number.isSafeInteger(late) && late > 0 && { late }),
  })
  log('info', 'stand-ins', { mail: mail.smtp, inbox: mail.inbox, payment: payment.address })
  return {
    mail,
    payment,
    async close() {
      await Promise.all([mail.close(), payment.close()])
    },
  }
}
