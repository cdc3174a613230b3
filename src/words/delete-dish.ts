// What is said when a dish is deleted.
export const DELETE_DISH = {
  open: "Delete this dish",
  title: (name: string) => `Delete ${name}?`,
  text: "The dish, its plans and what was done in its runs are removed. All of it is first written to a file in the archive on this computer.",
  label: "Type its name to delete it",
  confirm: "Delete",
  cancel: "Cancel",
  done: (file: string) => `Deleted. A copy is in ${file}`,
} as const;
