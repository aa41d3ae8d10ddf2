/** Browsers keep a Secure cookie over https, and over plain http on this machine only. */
export function canKeepSession(protocol: string, host: string): boolean {
  return protocol === 'https' || /^(localhost|127\.0\.0\.1|\[::1\]|[\w-]+\.localhost)(:\d+)?$/.test(host)
}
