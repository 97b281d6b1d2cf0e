import type { KeyboardEvent } from 'react'
import { describe, expect, it } from 'vitest'
import { arrowStep, slideTo } from './keySteps.ts'

const key = (name: string, shiftKey = false) => ({ key: name, shiftKey }) as KeyboardEvent

describe('the step an arrow asks for', () => {
  it.each([
    ['ArrowLeft', false, [-2, 0]],
    ['ArrowRight', false, [2, 0]],
    ['ArrowUp', false, [0, 2]],
    ['ArrowDown', true, [0, -20]],
    ['ArrowRight', true, [20, 0]],
    ['Enter', false, null],
    ['a', true, null],
  ] as const)('%s, Shift %s: %j', (name, shift, step) => expect(arrowStep(key(name, shift), 2)).toEqual(step))
})

describe('where a key takes a handle', () => {
  const handle = { at: 50, min: 0, max: 60, step: 5 }
  it.each([
    ['ArrowUp', false, 55],
    ['ArrowRight', false, 55],
    ['ArrowLeft', false, 45],
    ['ArrowDown', false, 45],
    ['ArrowDown', true, 0],
    ['ArrowUp', true, 60],
    ['Home', false, 0],
    ['End', false, 60],
    ['Tab', false, null],
  ] as const)('%s, Shift %s: %s', (name, shift, to) => expect(slideTo(key(name, shift), handle)).toBe(to))
})
