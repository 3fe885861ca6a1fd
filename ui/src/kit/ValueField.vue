<script setup lang="ts">
// One value typed as spoken: a length, an angle, a count. It shows how it
// understood an entry when that is not obvious, refuses in words beside
// itself, keeps what was typed, and steps by the job's grain.
import { computed, getCurrentInstance, nextTick, onUnmounted, ref, useId, watch } from 'vue'
import { askAgain, words } from '@/api/client'
import FractionPad from './FractionPad.vue'
import { nextField } from './nextField'
import { inOther, otherUnit } from './otherSystem'
import { type Entry, isAmount, type Kind, read, type Style, write, writeAmount } from './readLength'
import { byFinger } from './touch'
import { useTyping } from './typing'

const props = defineProps<{
  label: string
  modelValue: number | null
  kind?: Kind
  lengths: Style
  family?: string
  text?: string
  note?: string
  wrong?: string
  /** What stands where nothing is typed. */
  usual?: number
  /** It may be emptied. */
  optional?: boolean
  hideLabel?: boolean
  big?: boolean
  /** Where the value goes, of an entry that may outlive this field. */
  entry?: Entry
}>()
const emit = defineEmits<{ 'update:modelValue': [value: number]; clear: []; enter: [shift: boolean] }>()

// Who uses it may say where Enter goes.
const heard = getCurrentInstance()?.vnode.props?.onEnter !== undefined
const id = useId()
const box = ref<HTMLInputElement>()
const typed = ref<string | null>(null) // what stands in the box while it is being typed
const shown = ref('')
const understood = ref('')
const refused = ref('')
const pad = ref(false)
const kind = computed<Kind>(() => props.kind ?? 'length')
const isLength = computed(() => kind.value === 'length' || kind.value === 'hole')
let going: AbortController | undefined
const own: Entry = {
  deliver: (v) => emit('update:modelValue', v),
  keep: () => {},
  begin: () => {
    going?.abort()
    return new AbortController()
  },
}
let reading: Promise<void> = Promise.resolve()
let before: number | null = null // what stood here before this entry was begun
const { hold, letGo } = useTyping()
onUnmounted(() => void reading.then(letGo))
let visits = 0 // how often the hand came here
let ended = false // the field was left: what is typed next is another entry

async function show() {
  await written()
  // What is about to be typed over stays chosen when its text arrives late.
  if (typed.value === null && document.activeElement === box.value) void nextTick(() => box.value?.select())
}

async function written() {
  const v = props.modelValue
  if (v === null || Number.isNaN(v)) shown.value = ''
  else if (kind.value === 'angle') shown.value = `${+v.toFixed(2)}°`
  else if (isAmount(kind.value)) {
    try {
      shown.value = await writeAmount(v, kind.value, props.lengths)
    } catch {
      shown.value = String(v)
    }
  } else if (!isLength.value) shown.value = String(+v.toFixed(6))
  else if (props.text !== undefined) shown.value = props.text
  else {
    try {
      shown.value = (await write(v, props.lengths)).given
    } catch {
      shown.value = `${v} mm`
    }
  }
}
watch(() => [props.modelValue, props.text, props.lengths.unit, props.lengths.grain], show, { immediate: true })

function onInput(text: string) {
  if (typed.value === null || ended) before = props.modelValue
  ended = false
  typed.value = text
  hold()
  reading = understand(text)
}

async function understand(text: string) {
  const to = props.entry ?? own
  const mine = (going = to.begin())
  if (props.optional && text.trim() === '') {
    refused.value = understood.value = ''
    to.keep(undefined)
    emit('clear')
    return
  }
  try {
    const got = await read(text, kind.value, props.lengths, props.family, mine.signal)
    refused.value = ''
    to.keep(undefined)
    to.deliver(got.value)
    understood.value = got.plain ? '' : `${await back(got.value, mine.signal)}${got.says ? `, ${got.says}` : ''}`
  } catch (e) {
    if (e instanceof DOMException) return
    refused.value = words(e)
    to.keep(text)
    // Half an entry was drawn while it still made sense: it must not stand.
    if (before !== null) to.deliver(before)
    understood.value = ''
    askAgain(
      e,
      () => !mine.signal.aborted,
      () => again(text),
    )
  }
}

/** Reads an entry that got no answer, once there is one to be had. */
async function again(text: string) {
  reading = understand(text)
  await reading
  if (ended) await settle(false)
}

/** What an entry in another unit came to, in the job's. */
async function back(value: number, signal: AbortSignal) {
  if (isLength.value) return (await write(value, props.lengths, signal)).given
  return isAmount(kind.value) ? writeAmount(value, kind.value, props.lengths, signal) : ''
}

/** Shows the value itself in place of what was typed, once that is understood. Answers
 * late must not touch what was typed since, nor the text under the hand. */
async function settle(stays: boolean) {
  const text = typed.value
  ended = true
  await reading
  if (ended) letGo()
  if (refused.value || typed.value !== text) return
  if (!stays && document.activeElement === box.value) return // come back to already
  typed.value = null
  understood.value = ''
}

function onFocus() {
  visits++
  pad.value = byFinger()
  box.value?.select()
}

const goOn = () => onKey(new KeyboardEvent('keydown', { key: 'Enter', cancelable: true }))

function onBlur() {
  pad.value = false
  void settle(false)
}

const bare = /^\s*(\d+\.?\d*|\.\d+|(\d+[ -])?[1-9]\d*\/[1-9]\d*)?\s*$/
async function onKey(e: KeyboardEvent) {
  const to = props.entry ?? own
  if (e.key === 'Enter') {
    e.preventDefault()
    const visit = visits
    // A bare number is read without a doubt, and the next one may be on its way already. Where
    // reading takes longer than a hand between two keys, Enter goes on like Tab does.
    const settled = settle(true)
    if (!bare.test(typed.value ?? '')) {
      await Promise.race([settled, new Promise((r) => setTimeout(r, 60))])
      if (refused.value) return // the entry stays where it can be mended
    } // of a bare number what is refused is the half of it that was read last
    if (visit !== visits || document.activeElement !== box.value) return // the hand went elsewhere meanwhile
    if (heard) emit('enter', e.shiftKey)
    else if (box.value) nextField(box.value, e.shiftKey)
  } else if (e.altKey && e.code === 'KeyU' && unit.value) {
    e.preventDefault()
    asksOther.value = !asksOther.value
  } else if (e.key === 'ArrowUp' || e.key === 'ArrowDown') {
    e.preventDefault()
    if (isAmount(kind.value)) {
      // One more or less of the unit it stands in.
      const now = parseFloat(typed.value ?? shown.value) || 0
      onInput(String(+(now + (e.key === 'ArrowUp' ? 1 : -1)).toFixed(6)))
      return
    }
    const step = isLength.value ? props.lengths.grain : 1
    const next = Math.round(((props.modelValue ?? 0) + (e.key === 'ArrowUp' ? step : -step)) * 1e6) / 1e6
    going?.abort()
    letGo()
    typed.value = null
    refused.value = ''
    to.deliver(next)
  } else if (e.key === 'Escape' && typed.value !== null) {
    e.stopPropagation()
    going?.abort()
    typed.value = null
    refused.value = ''
    to.keep(undefined)
    if (before !== null && !ended) to.deliver(before)
    letGo()
    void nextTick(() => box.value?.select())
  }
}

if (props.entry?.draft !== undefined) onInput(props.entry.draft)

function focus() {
  box.value?.focus()
  void nextTick(() => box.value?.select())
}
defineExpose({ focus })
const usually = ref('')
watch(
  () => [props.usual, props.lengths.unit] as const,
  async ([v]) => {
    const k = kind.value
    const said = !v
      ? ''
      : isLength.value
        ? (await write(v, props.lengths)).given
        : isAmount(k)
          ? await writeAmount(v, k, props.lengths)
          : k === 'angle'
            ? `${v}°`
            : String(v)
    usually.value = said && `usual ${said}`
  },
  { immediate: true },
)
// The same in the other system, while that is asked for.
const unit = computed(() => otherUnit(kind.value, props.lengths))
const asksOther = ref(false)
const other = ref('')
watch([() => props.modelValue, kind, () => props.lengths.unit, asksOther], async ([v, , , asked]) => {
  other.value = ''
  if (!asked || v === null || !unit.value) return
  try {
    other.value = await inOther(v, kind.value, props.lengths)
  } catch (e) {
    other.value = words(e)
  }
})
const beside = computed(() => [props.note, usually.value].filter(Boolean).join('; '))
const wrongText = computed(() => refused.value || props.wrong || '')
</script>

<template>
  <div class="field" :class="{ big }">
    <label :for="id" :class="{ 'hidden-label': hideLabel }">{{ label }}</label>
    <div class="line">
      <input
        :id="id"
        ref="box"
        class="box"
        autocomplete="off"
        spellcheck="false"
        :inputmode="pad ? 'none' : 'text'"
        :value="typed ?? shown"
        :aria-invalid="wrongText ? 'true' : 'false'"
        :aria-describedby="wrongText ? `${id}-wrong` : beside ? `${id}-note` : undefined"
        @focus="onFocus"
        @input="onInput(($event.target as HTMLInputElement).value)"
        @keydown="onKey"
        @keypress.enter.prevent
        @blur="onBlur"
      />
      <output v-if="understood" class="understood">= {{ understood }}</output>
      <button
        v-if="unit && modelValue !== null"
        type="button"
        class="other"
        tabindex="-1"
        :aria-label="`${label} in ${unit}`"
        :aria-pressed="asksOther"
        @pointerdown.prevent
        @click="asksOther = !asksOther"
      >
        {{ unit }}
      </button>
    </div>
    <p v-if="wrongText" :id="`${id}-wrong`" class="wrong" role="alert">{{ wrongText }}</p>
    <output v-if="other" class="small same">= {{ other }}</output>
    <p v-if="beside && !wrongText" :id="`${id}-note`" class="soft small">{{ beside }}</p>
    <FractionPad
      v-if="pad"
      :label="label"
      :text="typed ?? ''"
      :shown="shown"
      :kind="kind"
      :lengths="lengths"
      @text="onInput"
      @done="box?.blur()"
      @next="goOn"
    />
  </div>
</template>

<style scoped>
.line {
  position: relative;
  display: flex;
  align-items: center;
  gap: 8px;
}
/* The other unit stands at the end of the field under the hand or the pointer. */
.other {
  position: absolute;
  right: 3px;
  min-width: 36px;
  height: calc(100% - 6px);
  max-height: 38px;
  padding: 0 6px;
  border: 1px solid var(--rule);
  background: var(--paper);
  color: var(--ink-soft);
  font-size: 0.8125rem;
  cursor: pointer;
  opacity: 0;
  pointer-events: none;
}
.line:hover .other,
.line:focus-within .other,
.other[aria-pressed='true'] {
  opacity: 1;
  pointer-events: auto;
}
.other[aria-pressed='true'] {
  color: var(--ember);
  border-color: var(--ember);
}
.same {
  display: block;
  color: var(--ember);
  font-weight: 560;
}
.understood {
  white-space: nowrap;
  font-weight: 600;
  color: var(--ember);
}
.big .box {
  font-size: 1.5rem;
  font-weight: 600;
  min-height: 52px;
}
</style>
