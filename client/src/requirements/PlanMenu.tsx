import { MoreHorizontal } from 'lucide-react';
import { useRef, useState } from 'react';
import { call, http } from '@/api/client';
import { readPlan } from '@/api/requirementQueries';
import { download } from '@/lib/download';
import { FilePicker } from '@/ui/FilePicker';
import { Menu, MenuItem } from '@/ui/Menu';
import type { DoneHere } from './useDoneHere';
import { wording } from '@/wording/requirements/PlanMenu';

/** Prints what stands in terms ahead, keeps it as a file, and opens one. */
export function PlanMenu({ here }: { here: DoneHere }) {
  const picker = useRef<HTMLInputElement>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const save = async () => {
    download(await call(http.GET('/api/plan/file', { parseAs: 'blob' })), wording.fileName);
  };
  const open = async (file: File) => {
    const read = await readPlan(parsed(await file.text(), file.name));
    here.changePlan(wording.opened(file.name), () => read);
  };
  const tryTo = (doing: Promise<void>) => {
    setProblem(null);
    doing.catch((failed: unknown) => setProblem(failed instanceof Error ? failed.message : String(failed)));
  };
  return (
    <>
      <Menu
        trigger={
          <button
            type="button"
            aria-label={wording.planMenu}
            className="flex size-7 items-center justify-center rounded-[4px] hover:bg-hair"
          >
            <MoreHorizontal size={16} aria-hidden="true" />
          </button>
        }
      >
        <MenuItem onSelect={() => window.print()}>{wording.print}</MenuItem>
        <MenuItem onSelect={() => tryTo(save())}>{wording.saveAsFile}</MenuItem>
        <MenuItem onSelect={() => picker.current?.click()}>{wording.openFile}</MenuItem>
      </Menu>
      <FilePicker
        inputRef={picker}
        label={wording.openFile}
        accept=".json,application/json"
        onFile={(file) => tryTo(open(file))}
      />
      {problem !== null && (
        <p role="alert" className="text-12 text-brick">
          {problem}
        </p>
      )}
    </>
  );
}

function parsed(text: string, name: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    throw new Error(wording.notFileOfPlan(name));
  }
}
