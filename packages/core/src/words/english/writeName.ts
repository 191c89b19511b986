import { surnameOf } from './findPeople.js';
import { roomNumber } from './findRooms.js';

/** The building of a room: what stands before its number. */
const buildingOf = (room: string): string => room.slice(0, room.lastIndexOf(roomNumber(room) ?? '')).trim();

/** A room as the old one was written: by its number alone, where only that changed. */
export function roomLike(room: string, like: string, oldRoom: string): string {
  const number = roomNumber(room);
  const old = roomNumber(oldRoom);
  if (number === undefined || old === undefined || like.trim().toLowerCase() === oldRoom.trim().toLowerCase())
    return room;
  return buildingOf(room) === buildingOf(oldRoom) ? like.replace(old, number) : room;
}

/** A person as another was written: by surname, or by the whole name. */
export const personLike = (name: string, like: string, oldName: string): string =>
  like.replace(/\s+/g, ' ') === surnameOf(oldName) && like !== oldName ? surnameOf(name) : name;
