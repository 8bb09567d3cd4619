import type { Sketch, Term } from '@/api/client';
import type { Axis } from '@/grid/axis';
import type { Rule } from '@/domain/rules';
import type { Sections } from '@/domain/useSections';
import type { Edits } from '@/domain/useSketchEdits';
import type { Walk } from '@/domain/useWalk';
import { KeysHelp } from './KeysHelp';
import { LookAlikes } from './LookAlikes';
import { Palette } from './Palette';
import { Sheet } from './Sheet';
import { Shortlist } from './Shortlist';
import type { Action } from './useShortcuts';
import type { ShortlistActions } from './useShortlist';

/** What may stand over the Workbench. */
export type SketchDialog = 'keys' | 'palette' | 'sheet' | 'alikes' | 'shortlist';

type Props = {
  shown: SketchDialog | null;
  term: Term;
  sketch: Sketch;
  walk: Walk;
  axis: Axis;
  rules: readonly Rule[];
  sections: Sections;
  edits: Edits;
  shortlist: ShortlistActions;
  actions: readonly Action[];
  onLookAlikes: () => void;
  onClose: () => void;
};

/** The one dialog that stands over the Workbench, if any does. */
export function SketchDialogs(props: Props) {
  const { shown, term, sketch, walk, axis, sections, actions, onClose } = props;
  const { inView } = walk;
  return (
    <>
      {shown === 'alikes' && inView && (
        <LookAlikes
          ask={walk.ask}
          shape={inView}
          sections={sections}
          chosen={walk.alike}
          onChoose={walk.goAlike}
          onClose={onClose}
        />
      )}
      {shown === 'sheet' && walk.answer && (
        <Sheet
          ask={walk.ask}
          listed={walk.listed}
          answer={walk.answer}
          inView={inView}
          sections={sections}
          axis={axis}
          weekCount={term.weeks}
          onGo={walk.go}
          onLookAlikes={props.onLookAlikes}
          onClose={onClose}
        />
      )}
      {shown === 'shortlist' && (
        <Shortlist
          term={term}
          sketch={sketch}
          rules={props.rules}
          edits={props.edits}
          actions={props.shortlist}
          onClose={onClose}
        />
      )}
      {shown === 'keys' && <KeysHelp actions={actions} onClose={onClose} />}
      {shown === 'palette' && <Palette actions={actions} onClose={onClose} />}
    </>
  );
}
