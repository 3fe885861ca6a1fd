<script setup lang="ts">
// The way in: the first owner, sign-in, an invitation, a pairing code.
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, Refused, take, words } from '@/api/client'
import TextField from '@/kit/TextField.vue'
import PassField from './PassField.vue'
import { deviceName, sessionChanged, useSession } from './session'

const props = defineProps<{ way: 'sign-in' | 'join' | 'pair' }>()
const route = useRoute()
const router = useRouter()
const { session } = useSession()
const way = computed(() => (session.value?.state === 'setup' ? 'setup' : props.way))
const name = ref('')
const password = ref('')
const code = ref(route.hash.slice(1))
const busy = ref(false)
const wrong = ref<Record<string, string>>({})
const stray = ref('')
watch(
  () => session.value?.state,
  (s) => {
    if (s === 'open' || (s === 'in' && props.way === 'sign-in')) void router.replace('/jobs')
  },
  { immediate: true },
)
const title = computed(
  () => ({ setup: 'Make the owner', 'sign-in': 'Sign in', join: 'Join the shop', pair: 'Pair this device' })[way.value],
)
const press = computed(() => ({ setup: 'Make the owner', 'sign-in': 'Sign in', join: 'Join', pair: 'Pair' })[way.value])

async function go() {
  busy.value = true
  wrong.value = {}
  stray.value = ''
  const device = deviceName()
  try {
    if (way.value === 'setup')
      await take(api.POST('/api/v1/setup', { body: { code: code.value, name: name.value, password: password.value, device } }))
    else if (way.value === 'join')
      await take(api.POST('/api/v1/join', { body: { code: code.value, name: name.value, password: password.value, device } }))
    else if (way.value === 'pair') await take(api.POST('/api/v1/pair', { body: { code: code.value, device } }))
    else await take(api.POST('/api/v1/sign-in', { body: { name: name.value, password: password.value, device } }))
    await sessionChanged()
    await router.replace('/jobs')
  } catch (e) {
    const list = e instanceof Refused ? (e.problem?.errors ?? []) : []
    wrong.value = Object.fromEntries(list.map((f) => [f.path, f.message]))
    if (!list.some((f) => f.path)) stray.value = words(e)
  }
  busy.value = false
}
</script>

<template>
  <form class="page door" @submit.prevent="go">
    <h1>{{ title }}</h1>
    <p v-if="session && !session.secure" class="caution" role="note">
      This server is reached without TLS: what you type crosses the network in the clear. Use it inside a network you trust.
    </p>
    <p v-if="way === 'setup'" class="soft">This server has no owner yet. Type the code that was printed where it was started.</p>
    <p v-if="way === 'pair'" class="soft">
      Type the code that stands on the other, signed-in screen. It is good for three minutes.
    </p>
    <TextField v-if="way !== 'sign-in'" v-model="code" label="Code" :wrong="wrong['/code']" />
    <TextField v-if="way !== 'pair'" v-model="name" label="Your name" :wrong="wrong['/name']" />
    <PassField
      v-if="way !== 'pair'"
      v-model="password"
      :label="way === 'sign-in' ? 'Password' : 'Password, twelve characters or more'"
      :fresh="way !== 'sign-in'"
      :wrong="wrong['/password']"
    />
    <p v-if="stray" class="wrong" role="alert">{{ stray }}</p>
    <button type="submit" class="press main" :disabled="busy">{{ press }}</button>
    <p v-if="way === 'sign-in'" class="soft small">
      Invited? <RouterLink to="/join">Join with the code</RouterLink>. A second device?
      <RouterLink to="/pair">Pair it</RouterLink>.
    </p>
  </form>
</template>

<style scoped>
.door {
  max-width: 460px;
}
</style>
