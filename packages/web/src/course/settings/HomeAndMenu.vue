<script setup lang="ts">
import { homeAndMenu, type SnapshotItem } from '@yarin/core';
import { computed, ref } from 'vue';
import { fetchItem, fileAddress, saveItem } from '../../shared/api/courses.js';
import { sentenceOf } from '../../shared/api/client.js';
import { useCourseStore } from '../state/courseStore.js';
import { AREA_NAMES, linksFor } from './settingLinks.js';

const course = useCourseStore();
const courseId = computed(() => course.view!.summary.id);
const settings = computed((): SnapshotItem | undefined => course.itemsOf('courseSettings')[0]);
const shown = computed(() => homeAndMenu(settings.value, [...course.itemsById.keys()]));
const candidates = computed(() =>
  course.view!.items.filter(({ kind }) =>
    ['unit', 'page', 'panel', 'syllabus', 'wiki', 'blog', 'weblink'].includes(kind),
  ),
);
const pictures = computed(() =>
  course.itemsOf('file').filter(({ details }) => String(details?.mediaType ?? '').startsWith('image/')),
);
const adding = ref('');
const titleOf = (key: string): string => course.itemsById.get(key)?.title ?? 'something that is not here';

async function save(changes: {
  home?: string | null;
  menu?: readonly string[];
  picture?: string | null;
  areas?: Record<string, string>;
}): Promise<void> {
  if (settings.value === undefined) return;
  const next = { ...shown.value, ...changes };
  course.trouble = '';
  try {
    const { version, item } = await fetchItem(courseId.value, settings.value.id);
    await saveItem(courseId.value, settings.value.id, version, {
      details: { home: next.home, menu: next.menu, picture: next.picture, areas: next.areas },
      links: linksFor(item.links, next, (key) => course.itemsById.has(key)),
    });
    await course.reload();
  } catch (error) {
    course.trouble = sentenceOf(error);
  }
}

function move(index: number, by: 1 | -1): void {
  const menu = [...shown.value.menu];
  const [entry] = menu.splice(index, 1);
  menu.splice(index + by, 0, entry!);
  void save({ menu });
}

function add(key: string): void {
  adding.value = '';
  if (key !== '' && !shown.value.menu.includes(key)) void save({ menu: [...shown.value.menu, key] });
}

function nameArea(area: string, name: string): void {
  const { [area]: _before, ...others } = shown.value.areas;
  void save({ areas: name.trim() === '' ? others : { ...others, [area]: name.trim() } });
}
</script>

<template>
  <template v-if="settings">
    <section aria-label="Home page and menu">
      <h2>Home page and menu</h2>
      <p class="setting">
        <span class="role">home page</span>
        <ElSelect
          v-if="course.mayChange"
          :model-value="shown.home ?? ''"
          size="small"
          filterable
          clearable
          aria-label="Home page"
          placeholder="the outline"
          @change="(key: string) => save({ home: key || null })"
        >
          <ElOption v-for="each in candidates" :key="each.id" :value="each.id" :label="each.title" />
        </ElSelect>
        <span v-else>{{ shown.home ? titleOf(shown.home) : 'the outline' }}</span>
      </p>
      <ol>
        <li v-for="(key, index) in shown.menu" :key="key">
          <span :class="{ missing: !course.itemsById.has(key) }">{{ titleOf(key) }}</span>
          <span v-if="course.mayChange" class="acts">
            <button v-if="index > 0" class="plain-link" :aria-label="`${titleOf(key)} up`" @click="move(index, -1)">
              up
            </button>
            <button
              v-if="index < shown.menu.length - 1"
              class="plain-link"
              :aria-label="`${titleOf(key)} down`"
              @click="move(index, 1)"
            >
              down
            </button>
            <button
              class="plain-link"
              :aria-label="`Take ${titleOf(key)} out of the menu`"
              @click="save({ menu: shown.menu.filter((each) => each !== key) })"
            >
              take out
            </button>
          </span>
        </li>
      </ol>
      <p v-if="shown.menu.length === 0" class="quiet">The menu is empty.</p>
      <ElSelect
        v-if="course.mayChange"
        v-model="adding"
        size="small"
        filterable
        aria-label="Add to the menu"
        placeholder="add to the menu"
        class="adding"
        @change="add"
      >
        <ElOption v-for="each in candidates" :key="each.id" :value="each.id" :label="each.title" />
      </ElSelect>
    </section>
    <section aria-label="Picture and names">
      <h2>Picture and names of areas</h2>
      <p class="setting">
        <span class="role">picture</span>
        <ElSelect
          v-if="course.mayChange"
          :model-value="shown.picture ?? ''"
          size="small"
          clearable
          aria-label="Picture of the course"
          :placeholder="pictures.length === 0 ? 'add a picture under files first' : 'none'"
          @change="(key: string) => save({ picture: key || null })"
        >
          <ElOption v-for="each in pictures" :key="each.id" :value="each.id" :label="each.title" />
        </ElSelect>
        <span v-else>{{ shown.picture ? titleOf(shown.picture) : 'none' }}</span>
        <img v-if="shown.picture" :src="fileAddress(courseId, shown.picture)" alt="" />
      </p>
      <p v-for="area in AREA_NAMES" :key="area" class="setting">
        <span class="role">{{ area }}</span>
        <ElInput
          v-if="course.mayChange"
          :model-value="shown.areas[area] ?? ''"
          size="small"
          :maxlength="100"
          :placeholder="`called “${area}”`"
          :aria-label="`Name of the area ${area}`"
          @change="(name: string) => nameArea(area, name)"
        />
        <span v-else>{{ shown.areas[area] ?? area }}</span>
      </p>
    </section>
  </template>
  <section v-else-if="course.mayChange" aria-label="Home page and menu">
    <h2>Home page and menu</h2>
    <p>
      This course has no settings of its own yet: it opens with its outline.
      <button class="plain-link" @click="course.add('courseSettings', 'Course settings', null)">
        set a home page and a menu
      </button>
    </p>
  </section>
</template>

<style scoped>
.setting :deep(.el-select),
.setting :deep(.el-input) {
  max-width: 260px;
}

.adding {
  max-width: 260px;
}

.role {
  width: 110px;
  flex: none;
  color: var(--quiet);
}

ol {
  margin: 4px 0;
  padding-left: 20px;
}

li {
  padding: 2px 0;
}

.acts {
  margin-left: 14px;
  display: inline-flex;
  gap: 12px;
  font-size: 13px;
}

.missing {
  color: var(--madder);
}

img {
  height: 40px;
  border: 1px solid var(--rule);
}
</style>
