<script setup lang="ts">
// Who may see what this computer serves: the door, the square code that lets a device in, and who is in.
import { computed, onMounted, ref } from 'vue'
import House from '@/components/house/House.vue'
import SquareCode from '@/components/house/SquareCode.vue'
import { useRoutine } from '@/composables/routine'
import { ago } from '@/stores/shop'
import { useDoor } from '@/stores/door'
import { count } from '@/tray/words'
import Choose from '@/components/common/Choose.vue'

const d = useDoor()
onMounted(d.read)
useRoutine(d.read, 2000)
const now = ref(new Date())
useRoutine(() => (now.value = new Date()), 1000)
const left = computed(() => {
  const s = d.key ? Math.max(0, Math.ceil((new Date(d.key.until).getTime() - now.value.getTime()) / 1000)) : 0
  return `${Math.floor(s / 60)}:${String(s % 60).padStart(2, '0')}`
})
const which = ref(0) // of several addresses of this computer
const link = computed(() => d.key?.links[which.value] ?? d.key?.links[0] ?? '')
const plain = (link: string) => link.replace(/#.*/, '')
</script>

<template>
  <House title="Devices">
    <p v-if="d.wrong" class="card" role="alert">▲ {{ d.wrong }}</p>
    <template v-if="d.door?.here === 'device'">
      <section class="card self">
        <h2>This is {{ d.door.name }}</h2>
        <p>It was let in {{ ago(d.door.devices[0]!.let_in) }}. Others are let in at the house's computer.</p>
        <p><button class="btn" :disabled="d.busy" @click="d.leave">Leave: forget this device</button></p>
      </section>
    </template>
    <div v-else-if="d.door" class="two">
      <section class="card" aria-label="Phones and tablets">
        <template v-if="!d.door.open">
          <h2>Phones and tablets are off</h2>
          <p>
            Only this computer sees Happy Tray. Turn them on to use it in the same network: at the counter, in
            the shop, at the table.
          </p>
          <p>
            Then this computer can be reached by others. Whoever was not let in sees a page that asks for a
            key, and nothing else.
          </p>
          <p><button class="btn next" :disabled="d.busy" @click="d.set(true)">Turn them on</button></p>
        </template>
        <template v-else-if="d.key && link">
          <h2>Hold the camera before it</h2>
          <SquareCode :of="link" class="code" />
          <p class="or">
            or open <b>{{ plain(link) }}</b> and type
            <b class="key figure">{{ d.key.key }}</b>
          </p>
          <p v-if="d.key.links.length > 1" class="small">
            This computer is in several networks:
            <Choose
              v-model="which"
              label="Address"
              :options="d.key.links.map((l, i) => [i, plain(l)] as const)"
            />
          </p>
          <p class="soft">
            It lets one device in, within <span class="nums">{{ left }}</span>.
          </p>
          <p><button class="btn" :disabled="d.busy" @click="d.makeKey">Make another</button></p>
        </template>
        <template v-else>
          <h2>Let a device in</h2>
          <p v-if="d.door.trouble" role="alert">▲ {{ d.door.trouble }}</p>
          <template v-else-if="d.door.listening">
            <p>A square code is shown for five minutes. It lets in one phone or tablet.</p>
            <p>
              <button class="btn next" :disabled="d.busy" @click="d.makeKey">Let a device in</button>
            </p>
          </template>
          <p v-else>They are being turned on.</p>
        </template>
        <template v-if="d.door.open">
          <p v-if="!d.door.secure" class="care">
            ▲ What goes to a device is not encrypted on its way. In a network of strangers - a guest's, a
            market hall's, a café's - others could read along and come in as the device they overheard. Leave
            them off there, or put a proxy with TLS before it (the README says how).
          </p>
          <p v-else class="small soft">What goes to devices is encrypted on its way.</p>
        </template>
      </section>
      <section v-if="d.door.open || d.door.devices.length" class="card" aria-label="Who is in">
        <h2>
          {{
            d.door.devices.length
              ? count(d.door.devices.length, 'device') + ' let in'
              : 'No device is signed in'
          }}
        </h2>
        <p v-if="!d.door.open && d.door.devices.length" class="soft">
          They see nothing while this is off, and are known again when it is on.
        </p>
        <ul v-if="d.door.devices.length">
          <li v-for="v in d.door.devices" :key="v.id">
            <b>{{ v.name }}</b>
            <span class="soft small">last seen {{ ago(v.seen, now) }}, let in {{ ago(v.let_in, now) }}</span>
            <button class="btn" :disabled="d.busy" :aria-label="`Sign out ${v.name}`" @click="d.putOut(v.id)">
              Sign out
            </button>
          </li>
        </ul>
        <p v-else class="soft">Devices that were let in are listed here, and can be signed out at once.</p>
        <p v-if="d.door.open">
          <button class="btn" :disabled="d.busy" @click="d.set(false)">Turn them all off</button>
        </p>
      </section>
    </div>
  </House>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: minmax(0, 5fr) minmax(0, 4fr);
  gap: 16px;
  align-items: start;
}
.card {
  display: grid;
  gap: 12px;
  padding: 20px 22px;
}
.self {
  max-width: 560px;
}
h2 {
  font-size: var(--type-7);
}
.code {
  width: min(300px, 100%);
  border-radius: var(--radius-l);
}
.or b {
  white-space: nowrap;
}
.key {
  font-size: var(--type-8);
  letter-spacing: 0.06em;
  color: var(--blue);
}
.care {
  padding: 10px 14px;
  background: var(--linen);
  border-radius: var(--radius);
}
li {
  display: grid;
  grid-template-columns: 1fr auto;
  align-items: center;
  padding: 10px 0;
  border-top: 1.5px solid var(--line);
}
li span {
  grid-row: 2;
}
li .btn {
  grid-row: 1 / span 2;
  grid-column: 2;
}
@media (max-width: 900px) {
  .two {
    grid-template-columns: 1fr;
  }
}
</style>
