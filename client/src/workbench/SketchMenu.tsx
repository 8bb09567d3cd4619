import { useQueryClient } from '@tanstack/react-query';
import { ChevronDown } from 'lucide-react';
import { useRef, useState } from 'react';
import { call, http, type Sketch } from '@/api/client';
import { openSketch, noteSketches } from '@/saving/sketchPort';
import { emptied } from '@/domain/edits';
import { useSketches } from '@/domain/useSketch';
import { withCurrent } from '@/domain/useTermVisit';
import type { Edits } from '@/domain/useSketchEdits';
import { FilePicker } from '@/ui/FilePicker';
import { Menu, MenuChoice, MenuItem, MenuLine } from '@/ui/Menu';
import { Button } from '@/ui/Button';
import { Dialog } from '@/ui/Dialog';
import { CompareSketches } from './CompareSketches';
import { noteDeleted } from './DeletedSketch';
import { readSketch, saveFile, sketchFiles } from './sketchFiles';
import { wording } from '@/wording/workbench/SketchMenu';
import { common } from '@/wording/common';

type Props = { sketch: Sketch; edits: Edits };

/** The name of the sketch, and what one does with sketches: another, a copy, rename, order, delete, compare. */
export function SketchMenu({ sketch, edits }: Props) {
  const client = useQueryClient();
  const { term } = sketch;
  const list = useSketches(term);
  const sketches = withCurrent(list.data?.sketches ?? [], sketch);
  const deleted = list.data?.deleted ?? [];
  const [asking, setAsking] = useState<'rename' | 'new' | 'compare' | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const picker = useRef<HTMLInputElement>(null);

  const open = (next: Sketch) => openSketch(client, next);
  const trying = (doing: Promise<void>) =>
    void doing.then(
      () => setProblem(null),
      (error: unknown) => setProblem(error instanceof Error ? error.message : wording.didNotWork),
    );
  const choose = async (id: string) =>
    open(await call(http.POST('/api/sketches/{id}/choose', { params: { path: { id } } })));
  const make = async (name: string, ask: Sketch['ask'], shortlist: Sketch['shortlist'] = []) =>
    open(
      await call(
        http.POST('/api/terms/{term}/sketches', {
          params: { path: { term } },
          body: { name, ask, shortlist },
        }),
      ),
    );
  const remove = async () => {
    const path = { id: sketch.id };
    const gone = await http.DELETE('/api/sketches/{id}', { params: { path } });
    if (!gone.response.ok) throw new Error(wording.sketchCouldNotBeDeleted);
    noteDeleted(client, sketch);
    open(await call(http.POST('/api/terms/{term}/sketch', { params: { path: { term } } })));
  };
  const order = async (by: 1 | -1) => {
    const ids = sketches.map((one) => one.id);
    const from = ids.indexOf(sketch.id);
    const to = from + by;
    if (to < 0 || to >= ids.length) return;
    const body = { ids: ids.toSpliced(from, 1).toSpliced(to, 0, sketch.id) };
    const params = { path: { term } };
    await call(http.PUT('/api/terms/{term}/sketches/order', { params, body }));
    noteSketches(client, term);
  };

  const openFile = async (file: File) => open(await readSketch(term, file));

  const index = sketches.findIndex((one) => one.id === sketch.id);
  return (
    <>
      <Menu
        align="start"
        trigger={
          <button
            type="button"
            aria-label={wording.sketchChange(sketch.name)}
            className="flex min-w-0 items-center gap-1 text-left text-16 font-heavy hover:text-plum"
          >
            <span className="truncate">{sketch.name}</span>
            <ChevronDown size={14} className="shrink-0" aria-hidden="true" />
          </button>
        }
      >
        <MenuChoice
          value={sketch.id}
          choices={sketches.map((one) => ({
            value: one.id,
            label: one.id === sketch.id ? sketch.name : one.name,
          }))}
          onChoose={(id) => trying(choose(id))}
        />
        <MenuLine />
        <MenuItem onSelect={() => setAsking('new')}>{wording.newSketch}</MenuItem>
        <MenuItem
          onSelect={() =>
            trying(make(wording.sketchCopy(sketch.name.slice(0, 70)), sketch.ask, sketch.shortlist))
          }
        >
          {wording.copySketch}
        </MenuItem>
        <MenuItem onSelect={() => setAsking('rename')}>{wording.rename}</MenuItem>
        {sketchFiles.map((file) => (
          <MenuItem key={file.kind} onSelect={() => trying(saveFile(sketch, file))}>
            {file.label}
          </MenuItem>
        ))}
        <MenuItem onSelect={() => picker.current?.click()}>{wording.openFile}</MenuItem>
        {sketches.length > 1 && (
          <>
            <MenuItem onSelect={() => setAsking('compare')}>{wording.compareSketches}</MenuItem>
            {index > 0 && <MenuItem onSelect={() => trying(order(-1))}>{wording.moveUpInList}</MenuItem>}
            {index < sketches.length - 1 && (
              <MenuItem onSelect={() => trying(order(1))}>{wording.moveDownInList}</MenuItem>
            )}
          </>
        )}
        <MenuItem onSelect={() => trying(remove())}>{wording.deleteSketch}</MenuItem>
        {deleted.length > 0 && <MenuLine />}
        {deleted.slice(0, 5).map((one) => (
          <MenuItem key={one.id} onSelect={() => trying(choose(one.id))}>
            {wording.bringBack(one.name)}
          </MenuItem>
        ))}
      </Menu>
      <FilePicker
        inputRef={picker}
        label={wording.fileOfSketch}
        accept=".json,application/json"
        onFile={(file) => trying(openFile(file))}
      />
      {sketches.length > 1 && (
        <span className="shrink-0 text-12 whitespace-nowrap text-mute">
          {wording.sketchOf(index + 1, sketches.length)}
        </span>
      )}
      {problem !== null && (
        <span role="alert" className="basis-full text-12 break-words text-brick">
          {problem}
        </span>
      )}
      {(asking === 'rename' || asking === 'new') && (
        <NameForm
          title={asking === 'new' ? wording.newSketchTitle : wording.renameSketch}
          name={asking === 'new' ? '' : sketch.name}
          onName={(name) => {
            if (asking === 'rename') edits.rename(name);
            else trying(make(name, emptied(sketch.ask)));
          }}
          onClose={() => setAsking(null)}
        />
      )}
      {asking === 'compare' && (
        <CompareSketches
          sketches={sketches}
          current={sketch.id}
          onOpen={(id) => {
            trying(choose(id));
            setAsking(null);
          }}
          onClose={() => setAsking(null)}
        />
      )}
    </>
  );
}

type NameProps = { title: string; name: string; onName: (name: string) => void; onClose: () => void };

function NameForm({ title, name, onName, onClose }: NameProps) {
  const [typed, setTyped] = useState(name);
  return (
    <Dialog open onOpenChange={onClose} title={title}>
      <form
        className="flex flex-col gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          if (typed.trim() === '') return;
          onName(typed.trim());
          onClose();
        }}
      >
        <label className="flex flex-col gap-1 text-12 text-mute">
          {wording.name}
          <input
            value={typed}
            onChange={(event) => setTyped(event.target.value)}
            maxLength={80}
            placeholder={wording.withEveningJob}
            className="rounded-[4px] border border-rule bg-paper px-2 py-1.5 text-14 text-ink"
          />
        </label>
        <div className="flex gap-2">
          <Button look="main" type="submit" disabled={typed.trim() === ''}>
            {common.save}
          </Button>
          <Button look="quiet" onClick={onClose}>
            {common.cancel}
          </Button>
        </div>
      </form>
    </Dialog>
  );
}
