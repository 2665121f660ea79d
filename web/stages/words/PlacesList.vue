<script setup lang="ts">
import CheckField from '../../ui/controls/CheckField.vue';
import { useVirtualRows } from '../../ui/controls/use-virtual-rows.ts';
import { computed, useTemplateRef } from 'vue';
import { replacementFor, type MatchInTrack } from '../../../core/find/replace.ts';
import { useTrack } from '../../data/tracks/track.ts';
import { useTimes } from '../../data/tracks/times.ts';

const times = useTimes();
/** Places with what would stand there, each to be taken or left. However many there are, only those in sight are in the page. */
const props = defineProps<{
  places: readonly MatchInTrack[];
  left: ReadonlySet<MatchInTrack>;
  replacement: string;
  pattern: boolean;
}>();
defineEmits<{ toggle: [place: MatchInTrack] }>();
const track = useTrack();

/** How much of the text around a place is shown, in characters. */
const around = 42;

const list = useTemplateRef<HTMLElement>('list');
const { places: inSight, room, measure } = useVirtualRows(list, () => props.places.length, 36);
const byId = computed(() => new Map(track.captions.map((c) => [c.id, c])));
const flat = (text: string): string => text.replace(/\n/g, ' ');

function rowOf(place: MatchInTrack) {
  const caption = byId.value.get(place.caption);
  if (!caption) return null;
  const { from, to, insert } = replacementFor(caption.text, place, props.replacement, props.pattern);
  const [before, after] = [flat(caption.text.slice(0, from)), flat(caption.text.slice(to))];
  return {
    time: times.clock(caption.start),
    before: before.length > around ? `…${before.slice(-around)}` : before,
    was: flat(caption.text.slice(from, to)),
    now: flat(insert),
    after: after.length > around ? `${after.slice(0, around)}…` : after,
  };
}
const rows = computed(() =>
  inSight.value.flatMap((index) => {
    const place = props.places[index];
    const row = place && rowOf(place);
    return row ? [{ ...row, place, index }] : [];
  }),
);
</script>

<template>
  <div ref="list" class="places dialog-list" tabindex="0">
    <ul class="plain-list" aria-label="Places to change" :style="room">
      <li
        v-for="row in rows"
        :key="`${row.place.caption} ${row.place.from}`"
        :ref="measure"
        class="line-row"
        :data-index="row.index"
        :aria-setsize="places.length"
        :aria-posinset="row.index + 1"
      >
        <CheckField :model-value="!left.has(row.place)" @update:model-value="$emit('toggle', row.place)">
          <span class="figures soft">{{ row.time }}</span>
          <span class="large" dir="auto"
            >{{ row.before }}<del>{{ row.was }}</del
            >{{ ' ' }}<ins v-if="row.now">{{ row.now }}</ins
            >{{ row.after }}</span
          >
        </CheckField>
      </li>
    </ul>
  </div>
</template>

<style scoped>
.figures {
  margin-right: 12px;
}
del {
  color: var(--alarm);
}
ins {
  color: var(--reed);
  font-weight: 700;
  text-decoration: none;
}
</style>
