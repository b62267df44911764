/** The letter after this one: A, B … Z, AA, AB. Case does not matter. */
export function nextLetter(letter: string): string {
  let carry = true;
  const next = [...letter.toUpperCase()].reverse().map((one) => {
    if (!carry) return one;
    carry = one === 'Z';
    return carry ? 'A' : String.fromCharCode(one.charCodeAt(0) + 1);
  });
  return (carry ? ['A', ...next.reverse()] : next.reverse()).join('');
}
