import { inAJob } from '../src/nav/in-a-job';

export default inAJob(({ BenchScreen }) => BenchScreen);
