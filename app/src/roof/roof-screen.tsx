import { View } from 'react-native';
import { RoofForm } from './roof-form';
import { LineList } from './line-list';
import { RoofViews } from './roof-views';
import { useWide } from '../ui/use-wide';

const PHONE_PLAN_PX = 300;

/** The roof drawn, its lines, and what shapes it. */
export const RoofScreen = () => {
  const wide = useWide();
  return (
    <View className="gap-6">
      {!wide && <RoofViews heightPx={PHONE_PLAN_PX} />}
      <LineList />
      <RoofForm />
    </View>
  );
};
