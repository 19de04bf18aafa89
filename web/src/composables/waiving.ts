import { computed } from 'vue'
import type { Finding } from '@/api/client'
import type { TrayFile } from '@/api/tray.gen'
import { useJob } from '@/stores/job'

type Sentence = NonNullable<Finding['sentence']>
/** A finding that was waived, with why; it stays so until what it is of changes, however that is worded. */
export type Waiver = { check: string; elements: string[]; says: string; why: string } & Partial<Sentence>

/** What a sentence is of, as it is said: no one sees a tenth of a millimetre. */
const facts = (s: Partial<Sentence>) =>
  JSON.stringify([s.code, s.with ?? []], (_, v) => (typeof v === 'number' ? Math.round(v) : v))

const most = 100 // on a tray

/** Findings that the stylist has looked at and lets be. They are kept with the tray. */
export function useWaiving() {
  const job = useJob()
  const waived = computed<Waiver[]>(() => {
    const list = job.tray?.waived
    return Array.isArray(list) ? list : []
  })
  const same = (w: Waiver, f: Finding) =>
    w.check === f.check &&
    // of those that were waived before sentences were data, only the words are known
    (w.code && f.sentence ? facts(w) === facts(f.sentence) : w.says === f.says) &&
    [...w.elements].sort().join() === [...f.elements].sort().join()
  const of = (f: Finding) => waived.value.find(w => same(w, f))

  function write(next: Waiver[], says: string) {
    if (job.tray) job.changeTray({ ...job.tray, waived: next } as TrayFile, says, true)
  }
  const waive = (f: Finding, why: string) =>
    write(
      [
        ...waived.value.filter(w => !same(w, f)).slice(1 - most),
        { check: f.check, elements: f.elements, says: f.says, ...f.sentence, why: why.trim().slice(0, 200) },
      ],
      'waived a finding',
    )
  const claim = (f: Finding) =>
    write(
      waived.value.filter(w => !same(w, f)),
      'took a finding up again',
    )
  return { waived, of, waive, claim }
}
