<script setup lang="ts">
import CommandFinder from '../commands/CommandFinder.vue';
import KeySheet from '../commands/KeySheet.vue';
import AboutJob from './AboutJob.vue';
import GoToDialog from '../../desk/captions/GoToDialog.vue';
import KeepOnlyDialog from '../../desk/captions/KeepOnlyDialog.vue';
import LabelDialog from '../../desk/captions/LabelDialog.vue';
import RecordingDialog from '../../recording/about/RecordingDialog.vue';
import ReplaceRecording from '../../move-times/cuts/ReplaceRecording.vue';
import ReflowDialog from '../../desk/reflow/ReflowDialog.vue';
import { useDialogs } from '../../data/messages/dialogs.ts';
import NewLanguageDialog from '../../stages/tracks/NewLanguageDialog.vue';
import JobStyle from '../../pages/styles/JobStyle.vue';

/** The dialogs that any stage of a job opens; a piece of its own, which the first caption need not wait for. */
const { bound } = useDialogs();
const [finder, keys, style, reflow] = [bound('finder'), bound('keys'), bound('style'), bound('reflow')];
</script>

<template>
  <CommandFinder v-model:open="finder" />
  <KeySheet v-model:open="keys" />
  <LabelDialog />
  <KeepOnlyDialog />
  <GoToDialog />
  <AboutJob />
  <NewLanguageDialog />
  <RecordingDialog v-slot="{ replaced }">
    <ReplaceRecording @replaced="replaced" />
  </RecordingDialog>
  <JobStyle v-model:open="style" />
  <ReflowDialog v-model:open="reflow" />
</template>
