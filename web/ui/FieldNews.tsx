/** News of another window under the field it concerns, read aloud when it comes. */
export function FieldNews({ said }: { said: string }) {
  return (
    <span role="status" data-field-news>
      {said}
    </span>
  );
}
