<template>
  <section class="nowhere">
    <h1>Nothing is here</h1>
    <p>This address leads to no page of Yarin. <RouterLink :to="{ name: 'desk' }">Back to the Desk</RouterLink></p>
  </section>
</template>

<style scoped>
.nowhere {
  padding: 26px var(--margin);
}
</style>
