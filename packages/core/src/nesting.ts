/** The door for a caller that only nests: the problem and the plan as they stand on disk, the search, and what is refused. Loads nothing of cabinets. */
export { readNestProblemText } from './formats/nest-problem.ts';
export { writeNestPlan } from './formats/nest-plan.ts';
export { search } from './nesting/search.ts';
export { Refusal, type Outcome, type Problem } from './problem/problem.ts';
