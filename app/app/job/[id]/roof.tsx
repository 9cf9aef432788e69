import { View } from 'react-native';
import { RoofForm } from '../../../src/roof/roof-form';
import { LineList } from '../../../src/roof/line-list';
import { RoofViews } from '../../../src/roof/roof-views';
import { useWide } from '../../../src/ui/use-wide';

const PHONE_PLAN_PX = 300;

export default function Roof() {
  const wide = useWide();
  return (
    <View className="gap-6">
      {!wide && <RoofViews heightPx={PHONE_PLAN_PX} />}
      <LineList />
      <RoofForm />
    </View>
  );
}
