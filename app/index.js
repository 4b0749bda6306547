import '@expo/metro-runtime';
import { App } from 'expo-router/build/qualified-entry';
import { renderRootComponent } from 'expo-router/build/renderRootComponent';
// Behind the imports that put Expo's own loader in place, ahead of the first route that is loaded.
import './bundling/loader';

renderRootComponent(App);
