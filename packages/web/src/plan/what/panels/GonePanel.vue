<script setup lang="ts">
import { count } from '../../../shared/words.js';
import ShellThings from './ShellThings.vue';
import { useShellThings } from './useShellThings.js';

/** What an earlier run brought and the old course has no more. */
defineEmits<{ open: [id: string] }>();
const { gone } = useShellThings();
</script>

<template>
  <ShellThings
    label="Gone from the old course"
    :things="gone"
    :what="`${count(gone.length, 'thing')} that the old course has no more`"
    :all-words="`Take out ${gone.length === 1 ? 'it' : `all ${gone.length}`} here too`"
    @open="(id) => $emit('open', id)"
  >
    {{ count(gone.length, 'thing') }} that came before {{ gone.length === 1 ? 'is' : 'are' }} no longer in the old
    course. Here nothing happens to {{ gone.length === 1 ? 'it' : 'them' }} unless you say so.
  </ShellThings>
</template>
