<script setup lang="ts">
import Modal from 'ant-design-vue/es/modal';
import { computed, ref, watch } from 'vue';
import { changeFor, type Place } from '../../core/find/replace.ts';
import { marginClock } from '../../core/time/clock.ts';
import { useTrack } from '../stores/track.ts';

const props = defineProps<{
  title: string;
  places: readonly Place[];
  replacement: string;
  pattern: boolean;
}>();
const emit = defineEmits<{ done: [chosen: readonly Place[]] }>();
const open = defineModel<boolean>('open', { required: true });
const track = useTrack();

/** So many are shown; the rest is counted, and replaced along. */
const most = 400;
/** How much of the text around a place is shown, in characters. */
const around = 42;

const left = ref<ReadonlySet<Place>>(new Set());
watch(open, (now) => {
  if (now) left.value = new Set();
});
const chosen = computed(() => props.places.filter((p) => !left.value.has(p)));
const rows = computed(() => {
  const byId = new Map(track.captions.map((c) => [c.id, c]));
  return props.places.slice(0, most).flatMap((place) => {
    const caption = byId.get(place.caption);
    if (!caption) return [];
    const { from, to, insert } = changeFor(caption.text, place, props.replacement, props.pattern);
    const flat = (text: string): string => text.replace(/\n/g, ' ');
    const [before, after] = [flat(caption.text.slice(0, from)), flat(caption.text.slice(to))];
    return [
      {
        place,
        time: marginClock(caption.start),
        before: before.length > around ? `…${before.slice(-around)}` : before,
        was: flat(caption.text.slice(from, to)),
        now: flat(insert),
        after: after.length > around ? `${after.slice(0, around)}…` : after,
      },
    ];
  });
});
function toggle(place: Place): void {
  const next = new Set(left.value);
  if (!next.delete(place)) next.add(place);
  left.value = next;
}
</script>

<template>
  <Modal v-model:open="open" :title="title" :width="720" :footer="null">
    <ul class="places" tabindex="0" aria-label="What will change">
      <li v-for="row in rows" :key="`${row.place.caption} ${row.place.from}`">
        <label>
          <input type="checkbox" :checked="!left.has(row.place)" @change="toggle(row.place)" />
          <span class="figures">{{ row.time }}</span>
          <span class="place-text" dir="auto"
            >{{ row.before }}<del>{{ row.was }}</del
            >{{ ' ' }}<ins v-if="row.now">{{ row.now }}</ins
            >{{ row.after }}</span
          >
        </label>
      </li>
    </ul>
    <p v-if="places.length > rows.length" class="soft">
      And {{ places.length - rows.length }} more, which are changed along.
    </p>
    <div class="places-foot">
      <button type="button" class="plain-button main" :disabled="chosen.length === 0" @click="emit('done', chosen)">
        Change {{ chosen.length === 1 ? 'one place' : `${chosen.length} places` }}
      </button>
      <button type="button" class="plain-button" @click="open = false">Leave everything</button>
    </div>
  </Modal>
</template>

<style scoped>
.places {
  max-height: 52vh;
  margin: 0;
  padding: 0;
  overflow-y: auto;
  list-style: none;
}
.places label {
  display: flex;
  align-items: baseline;
  gap: 12px;
  padding: 5px 2px;
  border-bottom: 1px solid var(--rule);
}
.places .figures {
  color: var(--soft);
}
.place-text {
  font-size: 16px;
}
del {
  color: var(--alarm);
}
ins {
  color: var(--reed);
  font-weight: 700;
  text-decoration: none;
}
.places-foot {
  display: flex;
  gap: 8px;
  margin-top: 14px;
}
</style>
