import type { Photo } from '@alfombra/core';
import { useEffect, useState } from 'react';
import { Image, View } from 'react-native';
import { photoBytes } from '@/api/sync/sync';

/** A photo from this device where it was taken here, else from the server. */
export function PhotoPicture({ photo, height = 180 }: { photo: Photo; height?: number }) {
  const [source, setSource] = useState<string | null>(null);
  useEffect(() => {
    let url: string | null = null;
    let gone = false;
    void photoBytes(photo.id).then((blob) => {
      if (gone) return;
      url = blob ? URL.createObjectURL(blob) : null;
      setSource(url ?? `/api/photos/${photo.id}/bytes`);
    });
    return () => {
      gone = true;
      if (url) URL.revokeObjectURL(url);
    };
  }, [photo.id]);
  return (
    <View className="overflow-hidden rounded-xl bg-panel" style={{ height }}>
      {source ? (
        <Image
          source={{ uri: source }}
          accessibilityLabel={photo.note}
          style={{ width: '100%', height }}
          resizeMode="cover"
        />
      ) : null}
    </View>
  );
}
