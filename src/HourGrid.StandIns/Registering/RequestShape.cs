namespace HourGrid.StandIns.Registering;

/// <summary>What a request must look like before anything of it is looked at.</summary>
internal static class RequestShape
{
    private const int KeyLength = 32;
    private const int MostLines = 40;
    private const int MostInstead = 20;
    private const int MostSections = 20;

    /// <summary>What is wrong, with what was found and expected; null where nothing is.</summary>
    public static string? WrongIn(RegistrationRequest request, bool needsKey)
    {
        if (needsKey && (request.Key is not { Length: KeyLength } key || !key.All(char.IsAsciiHexDigit)))
            return $"key: found \"{request.Key}\"; expected {KeyLength} hexadecimal digits.";
        if (request.Lines.Count is 0 or > MostLines)
            return $"lines: found {request.Lines.Count}; expected 1 to {MostLines}.";
        return request.Lines.Select(WrongIn).FirstOrDefault(wrong => wrong is not null);
    }

    private static string? WrongIn(LineRecord line, int index)
    {
        var at = $"lines[{index}]";
        if (line.IfFull is not (null or LineRecord.Leave or LineRecord.Wait or LineRecord.WaitLast))
            return $"{at}.ifFull: found \"{line.IfFull}\"; expected leave, wait or waitLast.";
        if (line.Others.Count > MostInstead)
            return $"{at}.instead: found {line.Others.Count} bundles; expected {MostInstead} at most.";
        foreach (var bundle in line.Others.Append(line.Sections).Append(line.Given))
            if (bundle.Count > MostSections || bundle.Distinct().Count() < bundle.Count)
                return $"{at}: found {bundle.Count} sections in one bundle; expected {MostSections} at most, each once.";
        if (line.Others.Any(bundle => bundle.Count == 0))
            return $"{at}.instead: found a bundle without sections; expected at least one.";
        if (line.Group is not null && (line.Waits || line.Others.Count > 0 || line.Leaving is not null))
            return $"{at}.group: a line of a group neither waits nor takes others nor leaves a line.";
        if (line.Leaving is not null && (line.Sections.Count > 0 || line.Given.Count > 0))
            return $"{at}.leaving: a line that leaves does nothing else.";
        return null;
    }
}
