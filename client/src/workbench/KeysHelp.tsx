import { Dialog } from '@/ui/Dialog';
import { keyMap } from './useShortcuts';

export function KeysHelp({ onClose }: { onClose: () => void }) {
  return (
    <Dialog open onOpenChange={onClose} title="Keys">
      <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-2">
        {keyMap.map(({ keys, does }) => (
          <div key={keys} className="contents">
            <dt className="font-strong">{keys}</dt>
            <dd className="text-mute">{does}</dd>
          </div>
        ))}
      </dl>
    </Dialog>
  );
}
