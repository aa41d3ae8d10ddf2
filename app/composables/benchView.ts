/** What of the bench is seen: the plan, the page, both, or the page at its three widths side by side. */
export type BenchView = 'plan' | 'both' | 'page' | 'widths'
