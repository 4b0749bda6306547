import type { Photo, Point } from '@alfombra/core';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { useCompany, useLawn, usePhotos } from '@/api/queries';
import { FileButton } from '@/features/property/FileButton';
import { Card, Empty, fullDay, Loading, Screen, Tag, Title, Words } from '@/ui';
import { CompareButton } from './CompareButton';
import { MeasureButton } from './MeasureButton';
import { MeasureSheet } from './MeasureSheet';
import { PhotoPicture } from './PhotoPicture';
import { TakePhotoCard } from './TakePhotoCard';

/** Photos closer than this are of one place, ft. */
const SAME_PLACE_FT = 8;

/** Photos of a lawn with a pin and a note; pairs of one place side by side. */
export function PhotosScreen({ lawnId }: { lawnId: string }) {
  const { t } = useTranslation();
  const lawn = useLawn(lawnId).data;
  const today = useCompany(lawn?.property.timeZone).data?.today;
  const photos = usePhotos(lawnId).data;
  const back = `/lawns/${lawnId}/visit`;
  if (!lawn || !today || !photos) {
    return (
      <Screen title={t('photos.title')} back={back}>
        <Loading />
      </Screen>
    );
  }
  return (
    <Screen title={t('photos.title')} lead={lawn.name} subject={lawn.name} back={back}>
      <View className="gap-4 lg:flex-row lg:items-start">
        <View className="gap-4 lg:flex-1">
          <TakePhotoCard lawn={lawn} today={today} />
          <MeasureFile />
        </View>
        <View className="gap-4 lg:flex-1">
          <Pairs photos={photos} />
          {photos.length === 0 ? <Empty title={t('photos.none')} /> : null}
          {photos.map((photo) => (
            <Card key={photo.id}>
              <PhotoPicture photo={photo} />
              <Caption photo={photo} />
              <MeasureButton photo={photo} />
            </Card>
          ))}
        </View>
      </View>
    </Screen>
  );
}

/** Measures a picture as it came from the camera, without keeping it. */
function MeasureFile() {
  const { t } = useTranslation();
  const [picture, setPicture] = useState<File | null>(null);
  return (
    <>
      <FileButton label={t('measurePhoto.file')} accept="image/*" onFile={setPicture} />
      {picture ? <MeasureSheet picture={picture} onClose={() => setPicture(null)} /> : null}
    </>
  );
}

function Caption({ photo }: { photo: Photo }) {
  const { t } = useTranslation();
  return (
    <View className="gap-1">
      <View className="flex-row items-center gap-2">
        <Words weight="semi" className="flex-1">
          {fullDay(photo.date)}
        </Words>
        {photo.standIn ? <Tag label={t('common.standIn')} tone="caution" /> : null}
      </View>
      {photo.note ? <Words tone="second">{photo.note}</Words> : null}
      {photo.received !== undefined && photo.received < photo.bytes ? (
        <Words size="note" tone="second">
          {t('photos.arrived', { share: Math.round((photo.received / photo.bytes) * 100) })}
        </Words>
      ) : null}
    </View>
  );
}

/** The oldest and the newest photo of each place that has several. */
function Pairs({ photos }: { photos: readonly Photo[] }) {
  const { t } = useTranslation();
  const places: Photo[][] = [];
  for (const photo of [...photos].sort((a, b) => (a.date < b.date ? -1 : 1))) {
    const at = photo.at;
    if (!at) continue;
    const place = places.find(([first]) => first?.at && distance(first.at, at) <= SAME_PLACE_FT);
    if (place) place.push(photo);
    else places.push([photo]);
  }
  return (
    <>
      {places
        .filter((place) => place.length > 1)
        .map((place) => (
          <Card key={place[0]!.id} testID="photo-pair">
            <Title>{t('photos.pair')}</Title>
            <View className="flex-row gap-2">
              {[place[0]!, place[place.length - 1]!].map((photo) => (
                <View key={photo.id} className="flex-1 gap-1">
                  <PhotoPicture photo={photo} height={140} />
                  <Words size="note" weight="semi">
                    {fullDay(photo.date)}
                  </Words>
                </View>
              ))}
            </View>
            <CompareButton before={place[0]!} after={place[place.length - 1]!} />
          </Card>
        ))}
    </>
  );
}

const distance = (a: Point, b: Point) => Math.hypot(a.x - b.x, a.y - b.y);
