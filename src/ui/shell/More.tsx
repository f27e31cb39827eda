'use client';

import Button from '@mui/material/Button';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { useState } from 'react';

/** What else can be done with something: a page, a file to take along, or a wish that opens below. */
export type MoreItem = { readonly label: string } & ({ readonly href: string; readonly download?: boolean } | { readonly onChoose: () => void });

/** A menu of what is done seldom. */
export function More({ items }: { items: readonly MoreItem[] }) {
  const [at, setAt] = useState<HTMLElement | null>(null);
  return (
    <>
      <Button aria-haspopup="menu" aria-expanded={at !== null} onClick={(event) => setAt(event.currentTarget)}>
        More
      </Button>
      <Menu anchorEl={at} open={at !== null} onClose={() => setAt(null)}>
        {items.map((item) =>
          'href' in item ? (
            <MenuItem key={item.label} component="a" href={item.href} download={item.download}>
              {item.label}
            </MenuItem>
          ) : (
            <MenuItem
              key={item.label}
              onClick={() => {
                setAt(null);
                item.onChoose();
              }}
            >
              {item.label}
            </MenuItem>
          ),
        )}
      </Menu>
    </>
  );
}
