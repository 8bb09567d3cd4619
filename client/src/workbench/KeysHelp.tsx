import { switchSingleKeys, useSingleKeys } from '@/lib/singleKeys';
import { Dialog } from '@/ui/Dialog';
import { type Action, localKeys } from './useShortcuts';

type Props = { actions: readonly Action[]; onClose: () => void };

export function KeysHelp({ actions, onClose }: Props) {
  const areOn = useSingleKeys();
  const keys = [
    ...actions.flatMap(({ keys, name }) => (keys === undefined ? [] : [{ keys, does: name }])),
    ...localKeys,
  ];
  return (
    <Dialog open onOpenChange={onClose} title="Keys">
      <label className="mb-3 flex min-h-6 items-center gap-2">
        <input
          type="checkbox"
          checked={areOn}
          onChange={(event) => switchSingleKeys(event.target.checked)}
          className="accent-plum"
        />
        <span>
          Keys of one character work by themselves
          <span className="block text-12 text-mute">
            Switch them off if you speak to the browser, or press keys by accident.
          </span>
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
