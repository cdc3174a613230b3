// What Home says of backups.
export const BACKUP = {
  heading: "Backups",
  newest: (when: string) => `Last backup: ${when}.`,
  none: "There is no backup yet. The first one is made a minute after the start.",
  daily: (directory: string) => `One is made every day in ${directory}. The last seven are kept, and one a month.`,
  old: "The last backup is more than two days old.",
  now: "Back up now",
  made: "Backed up, and read back to check it.",
  download: "Download a backup",
  restore: "Restore a backup",
  sameDisk: "The backups are on the same disk as your data. If that disk fails, both are gone.",
  place: "A directory on another disk",
  choose: "Use this directory",
  decline: "I do not need one",
  chosen: (directory: string) => `A copy of each goes to ${directory}.`,
  confirm: (name: string) => `Restore ${name}?`,
  confirmText:
    "All dishes, kitchens, plans and runs are replaced by those in the backup. What you have now is kept on the disk until you delete it.",
  confirmDo: "Restore",
  cancel: "Cancel",
  restored: (when: string) => `Restored: everything is as it was on ${when}.`,
  kept: (when: string) => `The data from before the restore on ${when} is still on the disk.`,
  deleteKept: "Delete this data",
  confirmDelete: "Delete the data from before the restore?",
  confirmDeleteText: (when: string) => `What the restore on ${when} replaced will be deleted for good. Your backups are kept.`,
  deleted: "Deleted.",
} as const;

export const BACKUPS = {
  mediaUsbRondeau: "/media/usb/rondeau",
  theKitchensServerDoesNotAnswer: "The kitchen's server does not answer.",
} as const;
