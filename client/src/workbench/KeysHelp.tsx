import { switchSingleKeys, useSingleKeys } from '@/lib/singleKeys';
import { Dialog } from '@/ui/Dialog';
import { type Action, localKeys } from './useShortcuts';
import { wording } from '@/wording/workbench/KeysHelp';

type Props = { actions: readonly Action[]; onClose: () => void };

export function KeysHelp({ actions, onClose }: Props) {
  const areOn = useSingleKeys();
  const keys = [
    ...actions.flatMap(({ keys, name }) => (keys === undefined ? [] : [{ keys, does: name }])),
    ...localKeys,
  ];
  return (
    <Dialog open onOpenChange={onClose} title={wording.keys}>
      <label className="mb-3 flex min-h-6 items-center gap-2">
        <input
          type="checkbox"
          checked={areOn}
          onChange={(event) => switchSingleKeys(event.target.checked)}
          className="accent-plum"
        />
        <span>
          {wording.keysOfOneCharacterWork}
          <span className="block text-12 text-mute">{wording.switchOffIfSpeak}</span>
        </span>
      </label>
      <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-1.5 text-12">
        {keys.map(({ keys, does }) => (
          <div key={`${keys} ${does}`} className="contents">
            <dt className="font-strong">{keys}</dt>
            <dd className="text-mute">{does}</dd>
          </div>
        ))}
      </dl>
    </Dialog>
  );
}
