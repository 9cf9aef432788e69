import { inAJob } from '../../../src/nav/in-a-job';

export default inAJob(({ PatternsScreen }) => PatternsScreen);
