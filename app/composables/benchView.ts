/** What of the bench is seen: the plan, the page, both, or the page at its three widths side by side. */
export type BenchView = 'plan' | 'both' | 'page' | 'widths'

/** What stands at the right of the page. */
export type BenchAside = 'sheet' | 'history' | 'own'
