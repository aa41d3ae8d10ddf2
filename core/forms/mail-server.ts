import { exact, oneOf, optional, pattern, text, whole, shapeOf } from '../shape'
import { MAIL } from './judge'

/** A server by which mail leaves (RFC 5321, 6409): how it is reached, and as whom. */
export interface MailServer {
  format: 1
  host: string
  port: number
  /** Sealed from the first byte on, sealed once it is agreed on, or not at all. */
  security: 'tls' | 'starttls' | 'none'
  user: string
  /** The address from which mail comes, and what stands beside it. */
  from: string
  name: string
  /** Certificates of an authority of one's own, as PEM (RFC 7468), where the server's is not known everywhere. */
  authority?: string
}

export const MAIL_SECURITIES = ['tls', 'starttls', 'none'] as const

export const mailServerShape = shapeOf<MailServer>()(
  exact({
    format: oneOf([1], 'it is of another format'),
    host: pattern(/^[\w.:-]{1,253}$/, 'A mail server has a name such as mail.example.org'),
    port: whole(1, 65_535, 'A port is a number from 1 to 65535'),
    security: oneOf(MAIL_SECURITIES, 'Say how what is sent is sealed on its way'),
    user: pattern(/^[^\r\n]*$/, 'The name is one line').max(254),
    from: pattern(MAIL, 'Mail comes from an address such as post@example.org').max(254),
    name: text(120).matches(/^[^\r\n]*$/, 'The name beside the address is one line'),
    authority: optional(
      pattern(
        /^$|^\s*-----BEGIN CERTIFICATE-----[\s\w+/=-]+-----END CERTIFICATE-----\s*$/,
        'A certificate begins with “-----BEGIN CERTIFICATE-----” and ends with “-----END CERTIFICATE-----”',
      ).max(100_000),
    ),
  }),
)
