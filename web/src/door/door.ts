// All that is sent to a device that was not let in: it stands alone, so that nothing else has to be.
import '@fontsource-variable/bricolage-grotesque'
import '@fontsource-variable/instrument-sans'
import '../style/tokens.css'
import './door.css'
import { likelyName } from './name'

const field = (id: string) => document.getElementById(id) as HTMLInputElement
const form = document.querySelector('form')!
const says = document.getElementById('says')!
const button = form.querySelector('button')!

// the key stands behind the #, which is sent to no server; it is taken out of the bar and of the history
const brought = decodeURIComponent(location.hash.slice(1)).slice(0, 40)
if (location.hash) history.replaceState(null, '', location.pathname)
field('key').value = brought
field('name').value = likelyName(navigator.userAgent)
if (brought)
  document.getElementById('how')!.textContent =
    'Give this device a name, so that the house knows whose it is.'
if (matchMedia('(pointer: fine)').matches) field(brought ? 'name' : 'key').focus()

form.addEventListener('submit', async e => {
  e.preventDefault()
  says.textContent = ''
  button.disabled = true
  try {
    const answer = await fetch('/api/v1/door/enter', {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ key: field('key').value.trim(), name: field('name').value.trim() }),
    })
    if (answer.ok) {
      location.replace(location.pathname === '/enter' ? '/' : location.href)
      return
    }
    const problem = await answer.json()
    const s = String(problem.detail || problem.title || 'That did not work')
    says.textContent = s.charAt(0).toUpperCase() + s.slice(1).replace(/\.?$/, '.')
    if (problem.field === 'key' || problem.field === 'name') field(problem.field).focus()
  } catch {
    says.textContent = 'The house’s computer cannot be reached. Are you in its network? Then try again.'
  }
  button.disabled = false
})
