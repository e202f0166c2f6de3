import { useShaping } from '@/stores/shaping'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { fieldsOfNet, isKnot, netOf, pulledNet, type Net, type Spot } from './net'

/** The net of the wrap that is in hand: what is pulled of it, on the art and by number. */
export const useNet = defineStore('net', () => {
  const shaping = useShaping()
  /** While one of its places is pulled. */
  const pulling = shallowRef<Net | null>(null)
  const net = computed(() => pulling.value ?? netOf(shaping.marks.find((mark) => mark.kind === 'net')?.state ?? ''))
  /** The knot that is chosen, on its line across. */
  const knot = ref<Spot | null>(null)
  watch(() => shaping.marks, () => {
    pulling.value = null
    // What a press had asked for is done: from now on it is part of what was pulled.
    const own = shaping.own
    if (net.value && (own.column || own.row || own.smooth)) shaping.setAll(fieldsOfNet(net.value))
  })
  watch(net, (now) => {
    if (knot.value && now && (knot.value.line >= now.across || 2 * knot.value.point >= now.lines[knot.value.line]!.length)) knot.value = null
    if (!now) knot.value = null
  })

  function choose(spot: Spot) {
    if (isKnot(spot)) knot.value = { ...spot }
  }
  function pull(spot: Spot, to: { x: number; y: number }) {
    if (net.value) pulling.value = pulledNet(net.value, spot, to)
  }
  /** What was pulled becomes the frame. */
  function letGo() {
    if (pulling.value) shaping.setAll(fieldsOfNet(pulling.value))
  }
  /** A pull that was broken off leaves all as it was. */
  function put() {
    pulling.value = null
  }
  function move(spot: Spot, to: { x: number; y: number }) {
    pull(spot, to)
    letGo()
  }
  const place = (to: { x: number; y: number }) => `${to.x.toFixed(4)},${to.y.toFixed(4)}`
  /** A press that the core answers: a line more, or a smooth knot. */
  function ask(what: 'column' | 'row' | 'smooth', to: { x: number; y: number }) {
    if (!net.value) return
    // Knots are counted otherwise afterwards.
    if (what !== 'smooth') knot.value = null
    shaping.setAll({ ...fieldsOfNet(net.value), [what]: place(to) })
  }

  return { net, knot, choose, pull, letGo, put, move, ask }
})
