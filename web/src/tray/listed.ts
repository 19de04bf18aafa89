// Foods that are written in a row, by their names.
const most = 40

/** Foods by their ids, as they are written in a field. */
export const named = (ids: string[] | undefined, name: (id: string) => string) =>
  (ids ?? []).map(name).join(', ')

/** What somebody wrote, as a list; what was there before keeps its id, and the rest is looked up by the server. */
export function listed(text: string, were: string[] | undefined, name: (id: string) => string) {
  const list = text
    .split(/[,;\n]/)
    .map(w => w.trim())
    .filter(Boolean)
    .map(w => were?.find(id => name(id).toLowerCase() === w.toLowerCase()) ?? w)
    .slice(0, most)
  return list.length ? list : undefined
}
