import { rmSync } from 'node:fs'
import { home } from './servers'

export default function teardown() {
  rmSync(home, { recursive: true, force: true })
}
