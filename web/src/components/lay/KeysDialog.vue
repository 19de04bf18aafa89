<script setup lang="ts">
import { ElDialog } from 'element-plus'
import 'element-plus/es/components/dialog/style/css'

const open = defineModel<boolean>({ required: true })
const keys: [string, string][] = [
  ['Tab', 'the next element, in the order they are laid'],
  ['arrows', 'move 2 mm, with Shift 10 mm'],
  ['Alt while dragging', 'it is not drawn against what it comes near to'],
  ['[  ]', 'turn 5 degrees, with Shift 15'],
  ['L', 'lock it where it is, or let it go'],
  ['F', 'its next form: another cut or fold'],
  ['D   S', 'duplicate it; split it in two'],
  ['H   N', 'pile a heap up, or hide the foot of a bowl; lean it on its neighbour'],
  ['X   J', 'swap, or join it, with what is chosen next'],
  ['PgUp PgDn', 'a piece more, from reserve, or less'],
  ['O   C', 'open a row, wrap round its neighbour; with Shift back'],
  ['V   U', 'another bowl; set it up on something'],
  ['T   R', 'choose several; lay those again'],
  ['Delete', 'take it off the board'],
  ['Enter', 'on the strip: lay it where there is room'],
  ['G', 'neighbours give way to what is moved, or not'],
  ['A', 'lay everything that is not locked'],
  ['W', 'three ways to lay it, to choose from'],
  ['.', 'the next finding'],
  ['M', 'mend the finding that is shown'],
  ['1 to 9', 'lenses: colours, grey, other eyes, wet, height, reach and more'],
  ['0', 'no lens'],
  ['I', 'from the next side, at a slant, and from above again'],
  ['B', 'as it was before the last change, and now again'],
  ['+ − Home', 'nearer, farther, the whole board'],
  ['Ctrl Z', 'undo, with Shift redo'],
  ['Alt ← →', 'on a step: earlier or later in the build order'],
  ['Escape', 'stop laying, or let go'],
  ['?', 'what is under the pointer, and why it matters'],
  ['K', 'this page'],
]
</script>

<template>
  <ElDialog v-model="open" title="Keys" width="440" append-to-body>
    <dl>
      <template v-for="[k, what] in keys" :key="k">
        <dt>
          <kbd>{{ k }}</kbd>
        </dt>
        <dd>{{ what }}</dd>
      </template>
    </dl>
  </ElDialog>
</template>

<style scoped>
dl {
  display: grid;
  grid-template-columns: 92px 1fr;
  gap: 8px 14px;
  margin: 0;
  color: var(--ink);
}
dd {
  margin: 0;
}
kbd {
  font: 600 var(--type-3) var(--text);
  background: var(--linen);
  border: 1px solid var(--line-strong);
  border-radius: var(--radius-s);
  padding: 2px 8px;
  white-space: pre;
}
</style>
