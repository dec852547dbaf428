/** No presses left over from another test: the browser's own drawer is thrown away. */
export const emptyDrawer = (): Promise<void> =>
  new Promise((resolve, reject) => {
    const request = indexedDB.deleteDatabase('odontis-bench');
    request.onsuccess = () => resolve();
    request.onerror = () => reject(request.error ?? new Error('The drawer could not be emptied.'));
  });
