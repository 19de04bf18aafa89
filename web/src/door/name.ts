/** What a device may be called before its owner says better, by what its browser tells of it. */
export function likelyName(agent: string): string {
  if (/iPad|Tablet|Android(?!.*Mobile)/i.test(agent)) return 'A tablet'
  if (/Mobi|iPhone|Android/i.test(agent)) return 'A phone'
  return 'A computer'
}
