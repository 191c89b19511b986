<script setup lang="ts">
import { Image } from '@tiptap/extension-image';
import { TableKit } from '@tiptap/extension-table';
import { StarterKit } from '@tiptap/starter-kit';
import { EditorContent, useEditor } from '@tiptap/vue-3';
import type { SnapshotItem } from '@yarin/core';
import { computed, ref } from 'vue';
import { fileAddress } from '../../shared/api/courses.js';

/** `items` are those of the course that a text can lead to and whose pictures it can show. */
const { label, courseId, items } = defineProps<{
  label: string;
  courseId: string;
  items: readonly SnapshotItem[];
}>();
const html = defineModel<string>({ required: true });

const linking = ref<'link' | 'picture' | null>(null);
const address = ref('');

const editor = useEditor({
  content: html.value,
  injectCSS: false,
  extensions: [StarterKit.configure({ link: { openOnClick: false, defaultProtocol: 'https' } }), Image, TableKit],
  editorProps: { attributes: { role: 'textbox', 'aria-multiline': 'true', 'aria-label': label, class: 'rich' } },
  onUpdate: ({ editor: changed }) => {
    html.value = changed.isEmpty ? '' : changed.getHTML();
  },
});

interface Press {
  readonly words: string;
  readonly act: () => void;
  readonly isOn: () => boolean;
}
const chain = () => editor.value!.chain().focus();
const PRESSES: readonly Press[] = [
  { words: 'bold', act: () => chain().toggleBold().run(), isOn: () => editor.value!.isActive('bold') },
  { words: 'italic', act: () => chain().toggleItalic().run(), isOn: () => editor.value!.isActive('italic') },
  {
    words: 'heading',
    act: () => chain().toggleHeading({ level: 3 }).run(),
    isOn: () => editor.value!.isActive('heading'),
  },
  { words: 'list', act: () => chain().toggleBulletList().run(), isOn: () => editor.value!.isActive('bulletList') },
  {
    words: 'numbered',
    act: () => chain().toggleOrderedList().run(),
    isOn: () => editor.value!.isActive('orderedList'),
  },
  { words: 'quotation', act: () => chain().toggleBlockquote().run(), isOn: () => editor.value!.isActive('blockquote') },
];

const things = computed(() => items.filter(({ kind }) => kind !== 'courseSettings' && kind !== 'label'));
const pictures = computed(() =>
  items.filter(({ kind, details }) => kind === 'file' && String(details?.mediaType ?? '').startsWith('image/')),
);
const thingAddress = (key: string): string => `/course/${courseId}?item=${encodeURIComponent(key)}`;
const isOutside = computed(() => /^(https?:\/\/|mailto:)\S+$/.test(address.value.trim()));

function lead(href: string): void {
  const { empty } = editor.value!.state.selection;
  const title = things.value.find(({ id }) => thingAddress(id) === href)?.title ?? href;
  if (empty)
    chain()
      .insertContent({ type: 'text', text: title, marks: [{ type: 'link', attrs: { href } }] })
      .run();
  else chain().setLink({ href }).run();
  close();
}

function show(key: string): void {
  const picture = pictures.value.find(({ id }) => id === key);
  if (picture !== undefined)
    chain()
      .setImage({ src: fileAddress(courseId, key), alt: picture.title })
      .run();
  close();
}

function close(): void {
  linking.value = null;
  address.value = '';
}
</script>

<template>
  <div v-if="editor" class="writing">
    <p class="presses" role="toolbar" aria-label="Form of the text">
      <button
        v-for="press in PRESSES"
        :key="press.words"
        type="button"
        class="press"
        :aria-pressed="press.isOn()"
        @click="press.act()"
      >
        {{ press.words }}
      </button>
      <button type="button" class="press" :aria-expanded="linking === 'link'" @click="linking = 'link'">
        lead to …
      </button>
      <button
        v-if="editor.isActive('link')"
        type="button"
        class="press"
        @click="editor.chain().focus().unsetLink().run()"
      >
        lead nowhere
      </button>
      <button
        v-if="pictures.length > 0"
        type="button"
        class="press"
        :aria-expanded="linking === 'picture'"
        @click="linking = 'picture'"
      >
        show …
      </button>
      <button
        type="button"
        class="press right"
        :disabled="!editor.can().undo()"
        @click="editor.chain().focus().undo().run()"
      >
        take back
      </button>
    </p>
    <div v-if="linking === 'link'" class="linking" @keydown.esc.stop="close">
      <ElSelect
        :model-value="''"
        size="small"
        filterable
        aria-label="A thing of this course"
        placeholder="A thing of this course"
        @change="(key: string) => lead(thingAddress(key))"
      >
        <ElOption v-for="thing in things" :key="thing.id" :value="thing.id" :label="thing.title" />
      </ElSelect>
      <span class="quiet">or</span>
      <ElInput
        v-model="address"
        size="small"
        placeholder="https://"
        aria-label="An address outside"
        @keydown.enter.prevent="isOutside && lead(address.trim())"
      />
      <ElButton size="small" :disabled="!isOutside" @click="lead(address.trim())">Lead there</ElButton>
      <button type="button" class="plain-link" @click="close">close</button>
    </div>
    <div v-if="linking === 'picture'" class="linking" @keydown.esc.stop="close">
      <ElSelect
        :model-value="''"
        size="small"
        filterable
        aria-label="A picture of this course"
        placeholder="A picture of this course"
        @change="show"
      >
        <ElOption v-for="picture in pictures" :key="picture.id" :value="picture.id" :label="picture.title" />
      </ElSelect>
      <button type="button" class="plain-link" @click="close">close</button>
    </div>
    <EditorContent :editor="editor" />
  </div>
</template>

<style scoped>
.writing {
  border: 1px solid var(--rule);
  border-radius: var(--corner);
  background: var(--raised);
}

.presses,
.linking {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 4px;
  align-items: center;
  padding: 4px 6px;
  border-bottom: 1px solid var(--rule-faint);
}

.linking {
  gap: 8px;
}

.linking :deep(.el-select),
.linking :deep(.el-input) {
  width: 190px;
}

.press {
  border: 0;
  border-radius: 3px;
  padding: 2px 7px;
  background: none;
  color: var(--ink);
  font: 13px/18px var(--sans);
  cursor: pointer;
}

.press:hover:not(:disabled),
.press[aria-pressed='true'] {
  background: var(--row-focus);
}

.press[aria-pressed='true'] {
  color: var(--indigo);
  font-weight: 600;
}

.press:disabled {
  color: var(--ash-ink);
  cursor: default;
}

.right {
  margin-left: auto;
}

.writing :deep(.rich) {
  min-height: 140px;
  max-height: 420px;
  overflow: auto;
  padding: 10px 12px;
  font-size: 16px;
  line-height: 24px;
  white-space: pre-wrap;
  overflow-wrap: break-word;
}

.writing :deep(.rich:focus-visible) {
  outline: 2px solid var(--indigo);
  outline-offset: -1px;
}

.writing :deep(.rich p) {
  margin: 0 0 10px;
}

.writing :deep(.rich img) {
  max-width: 100%;
}

.writing :deep(.rich td),
.writing :deep(.rich th) {
  border: 1px solid var(--rule);
  padding: 3px 8px;
}
</style>
