import { describe, expect, test } from 'vitest'
import { notIn, openFace, signsFace, signsFile, signsInUse, textFace } from './signs'

describe('every sign that the program writes is in a face that ships with it', () => {
  test('on the screen: the text face, or the small file of signs; else run `npm run signs`', () => {
    expect(signsInUse()).toEqual(expect.arrayContaining(['σ', '√', '≥', '◐']))
    expect(notIn([openFace(textFace), openFace(signsFile)], signsInUse())).toEqual([])
  })
  test('in print: the text face, or the whole face of signs', () =>
    expect(notIn([openFace(textFace), openFace(signsFace)], signsInUse())).toEqual([]))
  test('a sign in neither is found', () => expect(notIn([openFace(textFace), openFace(signsFile)], ['é', 'Ж'])).toEqual(['Ж']))
})
