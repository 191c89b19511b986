<script setup lang="ts">
import { computed } from 'vue';
import { count } from '../../../shared/words.js';
import ShellThings from './ShellThings.vue';
import { useShellThings } from './useShellThings.js';

/** What only the shell has: kept, or taken out with the run; all at once, the shell is emptied first. */
defineEmits<{ open: [id: string] }>();
const { own } = useShellThings();
const removable = computed(() => own.value.filter(({ may }) => may).length);
</script>

<template>
  <ShellThings
    label="The shell’s own"
    :things="own"
    :what="`${count(removable, 'thing')} that only the shell has`"
    :all-words="`Empty the shell first: take out ${removable === 1 ? 'it' : `all ${removable}`}`"
    @open="(id) => $emit('open', id)"
  >
    {{ count(own.length, 'thing') }} of the shell that nothing of the old course answers to. What is taken out goes with
    the run, and stands again when the run is taken back.
  </ShellThings>
</template>
