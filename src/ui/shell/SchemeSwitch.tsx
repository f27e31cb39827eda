'use client';

/** Light for the office, dark for dim rooms; kept for a year. */
export function SchemeSwitch() {
  return (
    <button
      type="button"
      onClick={() => {
        const root = document.documentElement;
        const scheme = root.dataset.scheme === 'dark' ? 'light' : 'dark';
        root.dataset.scheme = scheme;
        document.cookie = `oaken-scheme=${scheme}; path=/; max-age=31536000; samesite=lax`;
      }}
    >
      Light or dark
    </button>
  );
}
