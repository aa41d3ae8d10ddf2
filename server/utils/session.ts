/** A proxy's word on who asks is taken only when the server was told to trust it. */
export const TRUSTS_PROXY = process.env.OUTER_FRAME_TRUST_PROXY === 'yes'

/** Browsers keep a Secure cookie over https, and over plain http on this machine only. */
export function canKeepSession(protocol: string, host: string): boolean {
  return protocol === 'https' || /^(localhost|127\.0\.0\.1|\[::1\]|[\w-]+\.localhost)(:\d+)?$/.test(host)
}
