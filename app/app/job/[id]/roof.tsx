import { View } from 'react-native';
import { RoofForm } from '../../../src/roof/roof-form';
import { RoofPlan } from '../../../src/roof/roof-plan';
import { useWide } from '../../../src/ui/use-wide';

const PHONE_PLAN_PX = 300;

export default function Roof() {
  const wide = useWide();
  return (
    <View className="gap-6">
      {!wide && <RoofPlan heightPx={PHONE_PLAN_PX} />}
      <RoofForm />
    </View>
  );
}
