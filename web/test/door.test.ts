// @vitest-environment happy-dom
import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import SquareCode from '@/components/house/SquareCode.vue'
import { likelyName } from '@/door/name'

describe('a device before the door', () => {
  it.each([
    ['Mozilla/5.0 (Linux; Android 16; K) AppleWebKit/537.36 Mobile Safari/537.36', 'A phone'],
    ['Mozilla/5.0 (iPhone; CPU OS 19_0 like Mac OS X) Mobile/15E148', 'A phone'],
    ['Mozilla/5.0 (Linux; Android 16; K) AppleWebKit/537.36 Safari/537.36', 'A tablet'],
    ['Mozilla/5.0 (iPad; CPU OS 19_0 like Mac OS X) Mobile/15E148', 'A tablet'],
    ['Mozilla/5.0 (X11; Linux x86_64; rv:150.0)', 'A computer'],
    ['', 'A computer'],
  ])('has a likely name: %s', (agent, name) => expect(likelyName(agent)).toBe(name))

  it('finds a square with a quiet border of three modules around what is dark', () => {
    const svg = mount(SquareCode, { props: { of: 'http://192.0.2.2:8090/enter#ABCDE-23456' } })
    const size = Number(svg.attributes('viewBox')!.split(' ')[2])
    const dark = [
      ...svg
        .get('path')
        .attributes('d')!
        .matchAll(/M(\d+) (\d+)/g),
    ].map(m => [Number(m[1]), Number(m[2])])
    expect(dark.length).toBeGreaterThan(size * size * 0.25)
    expect(Math.min(...dark.flat())).toBe(3)
    expect(Math.max(...dark.flat())).toBe(size - 4)
  })
})
