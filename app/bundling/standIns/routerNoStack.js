// The app has its own bars and titles: no stack of screens with headers is ever drawn.
const Nothing = () => null;
exports.createNativeStackNavigator = () => ({
  Navigator: Nothing,
  Screen: Nothing,
  Group: Nothing,
});
