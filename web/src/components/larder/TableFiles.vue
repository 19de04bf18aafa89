<script setup lang="ts">
// The larder, packs and stock out to a table and in from one: first what a file
// would change, line by line, then all of it or nothing.
import { ref, shallowRef } from 'vue'
import { useAct } from '@/api/asking'
import { send, type ImportReport } from '@/api/client'
import { useLarder } from '@/stores/larder'
import { useToast } from '@/stores/toast'
import { count } from '@/tray/words'
import Choose from '@/components/common/Choose.vue'

const emit = defineEmits<{ taken: [] }>()
const toast = useToast()
const larder = useLarder()
const separator = ref<'comma' | 'semicolon' | 'tab'>('comma')
const decimal = ref<'point' | 'comma'>('point')
const report = shallowRef<ImportReport | null>(null)
const file = shallowRef<File | null>(null)
const { busy, wrong, act } = useAct('The file cannot be read.')
const tables = { larder: 'The larder', packs: 'Packs and prices', stock: 'The cupboard' } as const
const said = { added: 'new', changed: 'changed', same: 'as it is', refused: 'refused' } as const

const href = (t: string) => `/api/v1/larder/export/${t}?separator=${separator.value}&decimal=${decimal.value}`

async function run(apply: boolean) {
  const chosen = file.value
  if (!chosen) return
  await act(async () => {
    const how = apply ? `?apply=true&version=${report.value?.version}` : ''
    const r = await send<ImportReport>('POST', `/api/v1/larder/import${how}`, 'text/csv', chosen)
    if (!apply) {
      report.value = r
      return
    }
    toast.tell({ says: `Taken: ${count(r.added, 'new line')}, ${count(r.changed, 'line')} changed.` })
    report.value = file.value = null
    larder.forget()
    emit('taken')
  })
}
function choose(e: Event) {
  const input = e.target as HTMLInputElement
  file.value = input.files?.[0] ?? null
  input.value = '' // the same file can be chosen again once it is mended
  report.value = null
  void run(false)
}
</script>

<template>
  <section class="card files" aria-label="Tables in and out">
    <div class="out">
      <h2>Out</h2>
      <p class="soft small">
        CSV that any spreadsheet reads. Taking a table in again unchanged changes nothing.
      </p>
      <div class="how">
        <Choose
          v-model="separator"
          label="Parted by"
          :width="150"
          :options="[
            ['comma', 'commas'],
            ['semicolon', 'semicolons'],
            ['tab', 'tabs'],
          ]"
        />
        <Choose
          v-model="decimal"
          label="Decimals"
          :width="150"
          :options="[
            ['point', 'decimals as 4.5'],
            ['comma', 'decimals as 4,5'],
          ]"
        />
      </div>
      <div class="how">
        <a v-for="(name, t) in tables" :key="t" class="btn" :href="href(t)" download>{{ name }}</a>
      </div>
    </div>
    <div class="in">
      <h2>In</h2>
      <p class="soft small">
        The larder, packs or stock, as written out, with commas, semicolons or tabs. You see what would change
        before anything does.
      </p>
      <label class="btn file">
        {{ file ? 'Choose another file' : 'Choose a file' }}
        <input type="file" accept=".csv,.tsv,.txt,text/csv" @change="choose" />
      </label>
      <p v-if="wrong" role="alert">▲ {{ wrong }}</p>
    </div>
    <div v-if="report" class="report" role="status">
      <p>
        <b>{{ file?.name }}</b> is a table of {{ tables[report.table].toLowerCase() }}:
        <b class="figure">{{ report.added }}</b> new, <b class="figure">{{ report.changed }}</b> changed,
        <b class="figure">{{ report.same }}</b> as they are,
        <b class="figure" :class="{ bad: report.refused }">{{ report.refused }}</b> refused.
        <template v-if="report.ignored.length">
          Not known and left out: {{ report.ignored.join(', ') }}.
        </template>
      </p>
      <div v-if="report.lines.length" class="lines" tabindex="0" role="region" aria-label="Lines of the file">
        <table>
          <thead>
            <tr>
              <th scope="col">Line</th>
              <th scope="col">Food</th>
              <th scope="col">What</th>
              <th scope="col">Why</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="l in report.lines" :key="l.line" :class="l.what">
              <td class="nums">{{ l.line }}</td>
              <td>{{ l.food }}</td>
              <td>{{ l.what === 'refused' ? '▲ ' : '' }}{{ said[l.what] }}</td>
              <td>{{ l.says }}</td>
            </tr>
          </tbody>
        </table>
      </div>
      <p v-if="report.refused" class="small">
        With a refused line nothing is taken. Mend those lines in your table and choose it again.
      </p>
      <button
        class="btn next"
        :disabled="busy || report.refused > 0 || report.added + report.changed === 0"
        @click="run(true)"
      >
        Take all of it
      </button>
      <span v-if="report.added + report.changed + report.refused === 0" class="soft small">
        It says what the larder says already.
      </span>
    </div>
  </section>
</template>

<style scoped>
.files {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 14px 28px;
}
.out,
.in {
  display: grid;
  gap: 8px;
  align-content: start;
  justify-items: start;
}
.how {
  display: flex;
  gap: 8px;
  flex-wrap: wrap;
}
.file input {
  position: absolute;
  opacity: 0;
  width: 1px;
  height: 1px;
}
.file:focus-within {
  outline: 3px solid var(--blue);
  outline-offset: 2px;
}
.report {
  grid-column: 1 / -1;
  display: grid;
  gap: 10px;
  justify-items: start;
  border-top: 1.5px dashed var(--line-strong);
  padding-top: 12px;
}
.bad {
  border-bottom: 2.5px solid var(--ink);
}
.lines {
  max-height: 300px;
  overflow: auto;
  width: 100%;
  border: 1px solid var(--line);
  border-radius: var(--radius-m);
}
table {
  border-collapse: collapse;
  width: 100%;
  font-size: var(--type-3);
}
th,
td {
  text-align: left;
  padding: 6px 12px;
  border-bottom: 1px solid var(--line);
  vertical-align: top;
}
th {
  position: sticky;
  top: 0;
  background: var(--linen);
  font-weight: 600;
}
tr.refused td {
  font-weight: 600;
  background: var(--linen);
}
@media (max-width: 760px) {
  .files {
    grid-template-columns: 1fr;
  }
}
</style>
