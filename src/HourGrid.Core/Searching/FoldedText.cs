using System.Globalization;
using System.Text;

namespace HourGrid.Core.Searching;

/// <summary>Text as it is searched: no case, no accents, words of letters and words of digits.</summary>
public static class FoldedText
{
    /// <summary>
    /// The words of a text. Letters and digits are words of their own, so that <c>TID210</c> and <c>tid 210</c> are the
    /// same two words.
    /// </summary>
    public static IReadOnlyList<string> WordsOf(string text)
    {
        var words = new List<string>();
        var word = new StringBuilder();
        var kind = Kind.Between;
        foreach (var character in (Ascii.IsValid(text) ? text : text.Normalize(NormalizationForm.FormD)))
        {
            if (
                !char.IsAscii(character)
                && CharUnicodeInfo.GetUnicodeCategory(character) == UnicodeCategory.NonSpacingMark
            )
                continue;
            var characterKind = KindOf(character);
            if (characterKind != kind && word.Length > 0)
            {
                words.Add(word.ToString());
                word.Clear();
            }
            kind = characterKind;
            if (kind != Kind.Between)
                word.Append(char.ToLowerInvariant(character));
        }
        if (word.Length > 0)
            words.Add(word.ToString());
        return words;
    }

    /// <summary>
    /// Whether one word becomes the other by one slip: a letter too many, too few, another one, or two exchanged.
    /// </summary>
    public static bool IsOneSlip(ReadOnlySpan<char> one, ReadOnlySpan<char> other)
    {
        var shared = one.CommonPrefixLength(other);
        one = one[shared..];
        other = other[shared..];
        return (one.Length - other.Length) switch
        {
            1 => one[1..].SequenceEqual(other),
            -1 => one.SequenceEqual(other[1..]),
            0 => one.Length == 0
                || one[1..].SequenceEqual(other[1..])
                || (one.Length > 1 && one[0] == other[1] && one[1] == other[0] && one[2..].SequenceEqual(other[2..])),
            _ => false,
        };
    }

    private static Kind KindOf(char character) =>
        char.IsDigit(character) ? Kind.Digits
        : char.IsLetter(character) ? Kind.Letters
        : Kind.Between;

    private enum Kind
    {
        Between,
        Letters,
        Digits,
    }
}
