<script setup lang="ts">
// One's own account and devices; for the owner, who else may use the server.
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, take, words } from '@/api/client'
import { queryClient } from '@/api/queries'
import { wordsOf } from '@/api/words'
import { leaveNothing, unsent } from '@/documents/drafts'
import ChoiceRow from '@/kit/ChoiceRow.vue'
import PickOne from '@/kit/PickOne.vue'
import SurePress from '@/kit/SurePress.vue'
import CodeCard from './CodeCard.vue'
import PassField from './PassField.vue'
import { sessionChanged, useSession } from './session'
import TableFrame from '@/kit/TableFrame.vue'

type Code = { code: string; url: string; qr: string; expires: string }
type Role = 'owner' | 'maker' | 'reader'
const router = useRouter()
const { session } = useSession()
const owner = computed(() => session.value?.state === 'in' && session.value.role === 'owner')
const signedIn = computed(() => session.value?.state === 'in')
const { data: devices } = useQuery({
  queryKey: ['devices'],
  queryFn: () => take(api.GET('/api/v1/devices', {})),
  enabled: signedIn,
})
const { data: members } = useQuery({ queryKey: ['members'], queryFn: () => take(api.GET('/api/v1/members', {})), enabled: owner })
const pairing = ref<Code>()
const invitation = ref<Code>()
const role = ref<Role>('maker')
const old = ref('')
const next = ref('')
const said = ref('')
const wrong = ref('')
const roles = computed(() => wordsOf('RoleRequest', 'role').map((w) => ({ ...w, text: `${w.text}, ${w.hint}` })))

async function act(f: () => Promise<unknown>, done = '') {
  wrong.value = said.value = ''
  try {
    await f()
    said.value = done
  } catch (e) {
    wrong.value = words(e)
  }
  void queryClient.invalidateQueries({ queryKey: ['devices'] })
  void queryClient.invalidateQueries({ queryKey: ['members'] })
}
const pair = () => act(async () => (pairing.value = await take(api.POST('/api/v1/pairing', {}))))
const invite = () =>
  act(async () => (invitation.value = await take(api.POST('/api/v1/invitations', { body: { role: role.value } }))))
const path = (id: string) => ({ params: { path: { id } } })
const signOut = () =>
  act(async () => {
    await take(api.POST('/api/v1/sign-out', {}))
    leaveNothing()
    await sessionChanged()
    await router.replace('/sign-in')
  })
const left = unsent()
const day = (iso: string) =>
  new Date(iso).toLocaleString(undefined, { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' })
</script>

<template>
  <div class="page">
    <template v-if="signedIn && session">
      <header class="row head">
        <h1>{{ session.name }}</h1>
        <span class="soft">{{ session.role }}</span>
        <SurePress
          v-if="left"
          text="Sign out"
          name="Sign out"
          :ask="`What you typed in ${left} ${left === 1 ? 'place' : 'places'} is not sent yet and goes with you. Sign out and lose it?`"
          @sure="signOut"
        />
        <button v-else type="button" class="press tight" @click="signOut">Sign out</button>
      </header>
      <p class="small soft">
        This server keeps your name, what your password comes to (not the password), who changed what in the jobs, and which
        devices are signed in. It sends nothing to anybody else.
      </p>
      <p class="small" aria-live="polite">{{ said }}</p>
      <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
      <section class="stack">
        <h2>Devices</h2>
        <TableFrame name="Devices">
          <tbody>
            <tr v-for="d in devices ?? []" :key="d.id" :data-device="d.name">
              <th scope="row">{{ d.name }}</th>
              <td>{{ d.here ? 'this one' : `since ${day(d.since)}` }}</td>
              <td>
                <SurePress
                  v-if="!d.here"
                  text="Sign out"
                  :name="`Sign out ${d.name}`"
                  :ask="`${d.name} is paired anew before it works again. Sign it out?`"
                  @sure="act(() => take(api.DELETE('/api/v1/devices/{id}', path(d.id))), `${d.name} signed out.`)"
                />
              </td>
            </tr>
          </tbody>
        </TableFrame>
        <button type="button" class="press main" @click="pair">Pair a tablet</button>
        <CodeCard v-if="pairing" :code="pairing" what="Scan this with the tablet, or open its page and type the code." />
      </section>
      <section v-if="owner" class="stack">
        <h2>Members</h2>
        <TableFrame name="Members">
          <tbody>
            <tr v-for="m in members ?? []" :key="m.id" :data-member="m.name">
              <th scope="row">{{ m.name }}</th>
              <td>
                <PickOne
                  hide-label
                  :label="`Role of ${m.name}`"
                  :choices="roles"
                  :model-value="m.role"
                  @update:model-value="
                    (role) => act(() => take(api.PUT('/api/v1/members/{id}', { ...path(m.id), body: { role } })))
                  "
                />
              </td>
              <td>
                <SurePress
                  v-if="!m.self"
                  text="Remove"
                  :name="`Remove ${m.name}`"
                  :ask="`${m.name} signs in no more; what they saved stays. Remove them?`"
                  @sure="act(() => take(api.DELETE('/api/v1/members/{id}', path(m.id))), `${m.name} removed.`)"
                />
              </td>
            </tr>
          </tbody>
        </TableFrame>
        <ChoiceRow v-model="role" label="Invite a" :choices="wordsOf('RoleRequest', 'role')" />
        <button type="button" class="press" @click="invite">Make an invitation</button>
        <CodeCard v-if="invitation" :code="invitation" what="Give them this. It makes one account and is good for a week." />
      </section>
      <form
        class="stack narrow"
        @submit.prevent="
          act(
            () => take(api.POST('/api/v1/password', { body: { old, new: next } })),
            'Password changed; other devices are signed out.',
          )
        "
      >
        <h2>Password</h2>
        <PassField v-model="old" label="As it is" />
        <PassField v-model="next" label="New, twelve characters or more" fresh />
        <button type="submit" class="press">Change it</button>
      </form>
    </template>
    <template v-else>
      <h1>People</h1>
      <p>
        Nobody signs in here: only this machine reaches the server. To share it with the shop, start it with
        <code>--listen</code>; the first visitor then makes the owner.
      </p>
    </template>
  </div>
</template>

<style scoped>
.head {
  align-items: baseline;
}
.head .press {
  margin-left: auto;
}
.narrow {
  max-width: 420px;
}
td {
  vertical-align: middle;
}
</style>
