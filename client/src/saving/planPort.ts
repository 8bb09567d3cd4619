import type { QueryClient } from '@tanstack/react-query';
import { call, http, type Plan, type PlanState } from '@/api/client';
import { planKey, planQuery } from '@/api/requirementQueries';
import type { Base, Port } from './saver';
import { tell } from './windows';
import { wording } from '@/wording/saving/planPort';

const baseOf = ({ version, plan }: PlanState): Base<Plan> => ({ version, content: plan });

/** Puts the plan, as the server has it, in the place of an older one. */
export function knowPlan(client: QueryClient, state: PlanState): void {
  client.setQueryData<PlanState>(planKey, (now) => (now && now.version > state.version ? now : state));
}

/** Saves what stands in terms ahead. */
export function planPort(client: QueryClient): Port<Plan> {
  const sent = async (saving: Promise<PlanState>) => {
    const state = await saving;
    knowPlan(client, state);
    tell({ kind: 'plan', state });
    return { base: baseOf(state), note: null };
  };
  return {
    document: { kind: 'plan' },
    title: () => wording.termsAhead,
    base: () => {
      const state = client.getQueryData<PlanState>(planKey);
      return state ? baseOf(state) : null;
    },
    load: async () => baseOf(await client.query(planQuery)),
    save: ({ version }, plan) =>
      // The types of a body forget that an object in it may be null.
      sent(call(http.PUT('/api/plan', { body: { version, plan: plan as never } }))),
    step: ({ version }, kind) => {
      const body = { body: { version } };
      return sent(
        kind === 'undo' ? call(http.POST('/api/plan/undo', body)) : call(http.POST('/api/plan/redo', body)),
      );
    },
    newerIn: ({ newerPlan }) => {
      if (newerPlan) knowPlan(client, newerPlan);
      return newerPlan && baseOf(newerPlan);
    },
    rescue: () => Promise.reject(new Error(wording.planNotYours)),
    mend: (plan) => plan,
  };
}
