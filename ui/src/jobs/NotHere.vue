<template>
  <div class="page">
    <h1>There is no such page</h1>
    <p>The address leads nowhere in this program. Nothing is lost.</p>
    <p><RouterLink class="press main" to="/jobs">Go to the jobs</RouterLink></p>
  </div>
</template>
