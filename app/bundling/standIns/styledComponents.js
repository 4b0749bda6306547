// The components that take a `className` here; the original registers all of React Native's.
const { Image, Pressable, ScrollView, Text, TextInput, View } = require('./reactNativeParts.mjs');
const { cssInterop } = require('react-native-css-interop/dist/runtime/api');

for (const part of [Image, Pressable, Text, View]) cssInterop(part, { className: 'style' });
cssInterop(ScrollView, { className: 'style', contentContainerClassName: 'contentContainerStyle' });
cssInterop(TextInput, { className: { target: 'style', nativeStyleToProp: { textAlign: true } } });
