import { onSite } from '../src/nav/in-a-job';

export default onSite(({ BenchScreen }) => BenchScreen);
