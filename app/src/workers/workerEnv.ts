// Metro does not install Expo's import.meta registry inside worker bundles.
const scope = globalThis as { __ExpoImportMetaRegistry?: { url: string } };
scope.__ExpoImportMetaRegistry ??= { url: self.location.href };
export {};
