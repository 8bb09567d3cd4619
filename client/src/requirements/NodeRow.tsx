import { ChevronDown, ChevronRight } from 'lucide-react';
import type { RequirementNode } from '@/api/client';
import { ProgressBar } from './ProgressBar';
import { sayGiven, sayNeed, sayState } from './sayNode';
import { wording } from '@/wording/requirements/NodeRow';

type Props = {
  node: RequirementNode;
  all: readonly RequirementNode[];
  isOpen: (node: RequirementNode) => boolean;
  onToggle: (id: string, open: boolean) => void;
  selected: string | null;
  onSelect: (leaf: string) => void;
};

/** One requirement with all that is in it. */
export function NodeRow(props: Props) {
  const { node, all, isOpen, onToggle, selected, onSelect } = props;
  const parts = all.filter((one) => one.parent === node.id);
  const isLeaf = node.kind === 'courses' || node.kind === 'credits';
  const open = !isLeaf && isOpen(node);
  const isChosen = isLeaf && node.id === selected;
  const isQuiet = node.state === 'done' || node.state === 'notNeeded';
  const parent = all.find((one) => one.id === node.parent);
  const isAlternative =
    parent?.kind === 'any' &&
    parent.state === 'short' &&
    all.filter((one) => one.parent === parent.id).at(-1)?.id !== node.id;
  const given = node.courses.map(sayGiven).join(', ');
  const indent = Math.max(0, node.depth - 1);
  return (
    <li>
      <button
        type="button"
        {...(isLeaf ? { 'aria-current': isChosen } : { 'aria-expanded': open })}
        onClick={() => (isLeaf ? onSelect(node.id) : onToggle(node.id, !open))}
        title={sayNeed(node)}
        className={`flex w-full items-center gap-3 border-b border-hair py-[5px] text-left focus-visible:-outline-offset-2 ${
          isChosen ? 'bg-plum-wash shadow-[inset_3px_0_0_var(--plum)]' : 'hover:bg-paper'
        }`}
      >
        <span
          className="flex min-w-0 flex-1 items-baseline gap-1"
          style={{ paddingInlineStart: `${Math.min(indent, 6) * 0.9 + (isLeaf ? 1.1 : 0)}rem` }}
        >
          {!isLeaf &&
            (open ? (
              <ChevronDown size={12} className="shrink-0 self-center" aria-hidden="true" />
            ) : (
              <ChevronRight size={12} className="shrink-0 self-center" aria-hidden="true" />
            ))}
          <span className="min-w-0 break-words">
            <span className={`${isLeaf && !isChosen ? '' : 'font-strong'} ${isQuiet ? 'text-mute' : ''}`}>
              {node.name}
            </span>
            {given !== '' && <span className="text-12 text-mute"> {given}</span>}
            {isAlternative && <span className="text-12 text-mute italic"> {wording.or}</span>}
          </span>
        </span>
        <ProgressBar
          className="w-[100px] shrink-0 max-lg:w-16 max-md:w-12"
          total={node.total}
          completed={node.total - node.shortCompleted}
          underWay={node.shortCompleted - node.shortWithUnderWay}
          planned={node.shortWithUnderWay - node.short}
        />
        <span className={`w-[132px] shrink-0 max-md:w-24 max-md:text-12 ${isQuiet ? 'text-mute' : ''}`}>
          {sayState(node)}
        </span>
      </button>
      {open && (
        <ul>
          {parts.map((part) => (
            <NodeRow key={part.id} {...props} node={part} />
          ))}
        </ul>
      )}
    </li>
  );
}
