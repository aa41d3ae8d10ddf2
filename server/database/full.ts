/** Whether what went wrong is that nothing can be written any more: no room on the disk, or none that may be used. */
export function isFull(error: unknown): boolean {
  const code = String((error as { code?: unknown } | null)?.code ?? '')
  return code === 'SQLITE_FULL' || code === 'ENOSPC' || code === 'EDQUOT'
}
