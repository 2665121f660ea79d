/** What each thing that happens to a track on its way makes of it, without doing anything in the world. */
import { due, failed, goOn } from './delivering.ts';
import { made, madeAgain, takenBack } from './making.ts';
import { end, enter, wait } from './resting.ts';
import { tellAside, tellCaptions, tellOthers, tellState, type SyncInput } from './sync-effects.ts';
import { andThen, stepTo, type Step, type SyncModel } from './sync-model.ts';
import { accepted, catchUp, type SyncSources } from './taking-in.ts';
import { touches } from '../../../core/model/edits.ts';

type InputOf<T extends SyncInput['type']> = Extract<SyncInput, { readonly type: T }>;
type Reducers = {
  readonly [T in SyncInput['type']]: (model: SyncModel, input: InputOf<T>, sources: SyncSources) => Step;
};

/** Asks now. While it opens, what came meanwhile is asked for at its end: until then it is not whole. */
const poked = (model: SyncModel): Step =>
  model.state === 'opening' ? stepTo({ ...model, poked: true }) : stepTo(model, wait(model, 0));

function adopted(model: SyncModel, { edits, captions }: InputOf<'adopted'>): Step {
  const after: SyncModel = {
    ...model,
    own: [...model.own, ...edits],
    shown: captions,
    lastSeq: edits.at(-1)?.seq ?? model.lastSeq,
  };
  return stepTo(
    after,
    tellOthers(
      model.shown,
      captions,
      edits.flatMap((w) => touches(w.edit)),
    ),
  );
}

function opened(model: SyncModel, { asides }: InputOf<'opened'>): Step {
  return andThen(enter({ ...model, asides }, 'idle'), (idle) => {
    const asksAtOnce = idle.own.length > 0 || !idle.watched || idle.poked || idle.latest > (idle.confirmed?.edit ?? 0);
    return stepTo(idle, [
      tellCaptions('others', []),
      ...(asides.length > 0 ? [tellAside] : []),
      ...(asksAtOnce ? wait(idle, 0) : []),
    ]);
  });
}

function described(model: SyncModel, { as }: InputOf<'described'>): Step {
  const { confirmed } = model;
  if (!confirmed) return stepTo(model);
  const { name, kind, language } = as;
  if (confirmed.name === name && confirmed.kind === kind && confirmed.language === language) return stepTo(model);
  return stepTo({ ...model, confirmed: { ...confirmed, name, kind, language } }, [tellState]);
}

function told(model: SyncModel, { edit }: InputOf<'told'>): Step {
  const { confirmed, state } = model;
  const after: SyncModel = { ...model, latest: Math.max(model.latest, edit) };
  // What is on its way asks for what others did by itself.
  const asks = confirmed && edit > confirmed.edit && state !== 'sending' && state !== 'opening';
  return stepTo(after, asks ? wait(after, 0) : []);
}

function left(model: SyncModel): Step {
  const after: SyncModel = { ...model, watched: false };
  if (model.state === 'opening') return stepTo(after);
  const isAtRest = model.own.length === 0 && model.delivering === 'no' && model.state !== 'blocked';
  return isAtRest ? end(after) : stepTo(after, wait(after, 0));
}

function entered(model: SyncModel): Step {
  const after: SyncModel = { ...model, watched: true };
  return stepTo(after, model.state === 'opening' ? [] : wait(after, 0));
}

const reducers: Reducers = {
  loaded: (model, { track }) => stepTo({ ...model, confirmed: track, shown: track.captions }),
  numbered: (model, { lastSeq }) => stepTo({ ...model, lastSeq }),
  adopted,
  opened,
  made,
  undo: takenBack,
  redo: madeAgain,
  'typing-ended': (model) => stepTo({ ...model, lastTyped: 0 }),
  described,
  poked,
  told,
  left,
  entered,
  due: (model, _, sources) => due(model, sources),
  others: (model, { news }, sources) =>
    andThen(catchUp({ ...model, sent: [] }, news, sources), (after) => goOn(after, sources)),
  taken: (model, { batch, edit }) => accepted(model, batch, edit),
  failed: (model, { error }, sources) => failed(model, error, sources),
  'let-go': (model, _, sources) => andThen(stepTo(model, [{ type: 'announce' }]), (after) => goOn(after, sources)),
  unwritten: (model) => stepTo({ ...model, unwritten: true }, [tellState]),
  'aside-dropped': (model, { id }) =>
    stepTo({ ...model, asides: model.asides.filter((aside) => aside.id !== id) }, [tellAside]),
  abandoned: (model) => stepTo({ ...model, own: [] }),
  ended: end,
};

/**
 * The next step of a track on its way.
 * @throws {EditRefused} where what others did does not fit what the log was thought to have; the model stays as it is
 */
export const reduce = <T extends SyncInput['type']>(
  model: SyncModel,
  input: InputOf<T> & { readonly type: T },
  sources: SyncSources,
): Step => reducers[input.type](model, input, sources);
