/**
 * Stands in for React Native's list of everything, which packages ask for as a whole: of it what is shown here, each
 * part run when it is used first.
 */
const parts = {
  ActivityIndicator: () => require('react-native-web/dist/exports/ActivityIndicator'),
  AppRegistry: () => require('react-native-web/dist/exports/AppRegistry'),
  AppState: () => require('react-native-web/dist/exports/AppState'),
  Appearance: () => require('react-native-web/dist/exports/Appearance'),
  BackHandler: () => require('react-native-web/dist/exports/BackHandler'),
  DeviceEventEmitter: () => require('react-native-web/dist/exports/DeviceEventEmitter'),
  Dimensions: () => require('react-native-web/dist/exports/Dimensions'),
  I18nManager: () => require('react-native-web/dist/exports/I18nManager'),
  Linking: () => require('react-native-web/dist/exports/Linking'),
  NativeEventEmitter: () => require('react-native-web/dist/exports/NativeEventEmitter'),
  NativeModules: () => require('react-native-web/dist/exports/NativeModules'),
  PixelRatio: () => require('react-native-web/dist/exports/PixelRatio'),
  Platform: () => require('react-native-web/dist/exports/Platform'),
  Pressable: () => require('react-native-web/dist/exports/Pressable'),
  ScrollView: () => require('react-native-web/dist/exports/ScrollView'),
  StyleSheet: () => require('react-native-web/dist/exports/StyleSheet'),
  Text: () => require('react-native-web/dist/exports/Text'),
  TextInput: () => require('react-native-web/dist/exports/TextInput'),
  Touchable: () => require('react-native-web/dist/exports/Touchable'),
  UIManager: () => require('react-native-web/dist/exports/UIManager'),
  View: () => require('react-native-web/dist/exports/View'),
  processColor: () => require('react-native-web/dist/exports/processColor'),
  unstable_createElement: () => require('react-native-web/dist/exports/createElement'),
  useColorScheme: () => require('react-native-web/dist/exports/useColorScheme'),
  useWindowDimensions: () => require('react-native-web/dist/exports/useWindowDimensions'),
};

for (const [name, part] of Object.entries(parts))
  Object.defineProperty(exports, name, { enumerable: true, get: () => part().default });
