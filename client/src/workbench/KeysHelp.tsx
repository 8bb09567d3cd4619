import { Dialog } from '@/ui/Dialog';
import { type Action, localKeys } from './useShortcuts';

type Props = { actions: readonly Action[]; onClose: () => void };

export function KeysHelp({ actions, onClose }: Props) {
  const keys = [
    ...actions.flatMap(({ keys, name }) => (keys === undefined ? [] : [{ keys, does: name }])),
    ...localKeys,
  ];
  return (
    <Dialog open onOpenChange={onClose} title="Keys">
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
