/** What the craft's page calls how a food lies, by its form; without the page itself, as every board needs it. */
const names: Record<string, string> = {
  Trail: 'trail ribbon wound',
  Row: 'shingle upright arc stack batons rolls',
  Fan: 'fan half-fold-fan',
  Heap: 'tumble drift rings criss-cross',
  Anchor: 'bowl pot whole cut-round prop slab',
  Garnish: 'sprig scatter petals flower topping drizzled rosette',
}
const of = new Map(Object.entries(names).flatMap(([title, forms]) => forms.split(' ').map(f => [f, title])))
export const aboutForm = (form: string) => of.get(form) ?? 'Piece'
