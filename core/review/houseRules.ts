import { devicesOfStep, materialsOfStep, traitsOfStep } from '../care/traits';
import { ruleThingWords, type HouseRule, type RuleThing } from '../house/houseRule';
import type { Step } from '../house/house';
import { workedLeaves } from '../zone/workedLeaves';
import type { Finding, ReviewedProtocol } from './finding';

/** Where a protocol does not keep the rules of its house, with the step that would keep it where one is missing. */
export function houseRuleFindings({ worked, shelf, index, settings }: ReviewedProtocol): Finding[] {
  const steps = worked.steps.filter(({ stretch }) => stretch === 'visit');
  const is = (step: Step, thing: RuleThing): boolean => matches(step, thing, shelf, index);
  const say = (step: Step, message: string, rule: HouseRule): Finding => ({
    weight: 'prompt',
    code: 'house-rule',
    message,
    where: { protocolId: worked.id, stepId: step.id },
    ...(rule.comes === 'always' &&
      rule.then.is === 'action' && { fix: { add: rule.then.action, after: step.id } }),
  });
  return (settings.rules ?? []).flatMap((rule) => {
    const firsts = steps.flatMap((step, at) => (is(step, rule.after) ? [{ step, at }] : []));
    const words = `a rule of the house`;
    if (rule.comes === 'always') {
      return firsts
        .filter(
          ({ step, at }) =>
            !steps.slice(at + 1).some((each) => is(each, rule.then) && meet(step, each)),
        )
        .map(({ step }) =>
          say(
            step,
            `After “${step.name}” always comes ${ruleThingWords(rule.then)} (${words}), and nothing later does.`,
            rule,
          ),
        );
    }
    return steps.flatMap((step, at) => {
      const before = is(step, rule.then)
        ? firsts.find((first) => first.at < at && meet(first.step, step))
        : undefined;
      return before
        ? [
            say(
              step,
              `“${step.name}” never comes after ${ruleThingWords(rule.after)} (${words}), and “${before.step.name}” is before it.`,
              rule,
            ),
          ]
        : [];
    });
  });
}

function matches(
  step: Step,
  thing: RuleThing,
  shelf: ReviewedProtocol['shelf'],
  index: ReviewedProtocol['index'],
): boolean {
  switch (thing.is) {
    case 'action':
      return step.action === thing.action;
    case 'brings':
      return traitsOfStep(
        step,
        materialsOfStep(step, shelf),
        devicesOfStep(step, index.devices),
      ).has(thing.trait);
    case 'named': {
      const wanted = thing.words.trim().toLocaleLowerCase();
      const names = [step.name, ...materialsOfStep(step, shelf).map(({ name }) => name)];
      return wanted !== '' && names.some((name) => name.toLocaleLowerCase().includes(wanted));
    }
  }
}

/** Whether two steps are done on some of the same skin; anywhere, where one does not say. */
function meet(a: Step, b: Step): boolean {
  const [one, other] = [workedLeaves(a), workedLeaves(b)];
  return one.length === 0 || other.length === 0 || one.some((leaf) => other.includes(leaf));
}
