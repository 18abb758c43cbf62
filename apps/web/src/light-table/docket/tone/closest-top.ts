import type { CollisionDetection } from '@dnd-kit/core';

/** The card whose head is nearest to the head of the one that is moved: an open card is taller than its neighbours, and its middle says nothing. */
export const closestTop: CollisionDetection = ({ collisionRect, droppableRects, droppableContainers }) =>
  droppableContainers
    .flatMap((droppableContainer) => {
      const rect = droppableRects.get(droppableContainer.id);
      if (!rect) return [];
      const value = Math.abs(rect.top - collisionRect.top);
      return [{ id: droppableContainer.id, data: { droppableContainer, value } }];
    })
    .sort((a, b) => a.data.value - b.data.value);
