using System.Globalization;
using System.Text.Json;
using System.Text.Json.Nodes;

namespace HourGrid.Formats.Json;

/// <summary>
/// Reads JSON that was written here, perhaps by an older version with other bounds. What a file would be refused for is
/// left out, in the smallest part that makes the rest readable: a field, an item, what a list has too many.
/// </summary>
internal static class StoredJson
{
    /// <param name="text">What was stored.</param>
    /// <param name="read">Reads it as strictly as a file.</param>
    /// <param name="complete">Puts into an object what cannot be left out.</param>
    public static Mended<T> Read<T>(string text, Func<JsonPlace, T?> read, Action<JsonObject> complete)
        where T : class
    {
        var dropped = new List<FormatProblem>();
        var root = Parse(text) as JsonObject;
        if (root is null)
        {
            dropped.Add(new("", "text that cannot be read", "an object"));
            root = [];
        }
        WithoutNulls(root);
        complete(root);
        while (true)
        {
            try
            {
                return new(JsonFile.Read(JsonSerializer.SerializeToElement(root), read).Value, dropped);
            }
            catch (FormatProblemsException problems)
            {
                if (root.Count == 0)
                    throw;
                foreach (var (node, most) in problems.Problems.Select(problem => At(root, problem)).ToArray())
                    LeaveOut(node, most, root);
                dropped.AddRange(problems.Problems);
                complete(root);
            }
        }
    }

    private static JsonNode? Parse(string text)
    {
        try
        {
            return JsonNode.Parse(text, documentOptions: new() { AllowDuplicateProperties = false });
        }
        catch (JsonException)
        {
            return null;
        }
    }

    /// <summary>The deepest value there is on the way to a problem's place.</summary>
    private static (JsonNode Node, int? Most) At(JsonObject root, FormatProblem problem)
    {
        JsonNode node = root;
        foreach (var step in problem.Path.Split('.', '[').Where(step => step.Length > 0))
        {
            var next = node switch
            {
                JsonObject fields => fields[step],
                JsonArray items => items[int.Parse(step.TrimEnd(']'), CultureInfo.InvariantCulture)],
                _ => null,
            };
            if (next is null)
                break;
            node = next;
        }
        return (node, problem.Most);
    }

    private static void LeaveOut(JsonNode node, int? most, JsonObject root)
    {
        if (node == root)
            root.Clear();
        else if (most is { } kept && node is JsonArray tooMany)
            tooMany.RemoveRange(kept, tooMany.Count - kept);
        else if (most is { } characters && node is JsonValue text)
            text.ReplaceWith(text.GetValue<string>()[..characters]);
        else if (node.Parent is JsonArray list)
            list.Remove(node);
        else if (node.Parent is JsonObject fields)
            fields.Remove(node.GetPropertyName());
    }

    /// <summary>No list that is stored has items that are nothing.</summary>
    private static void WithoutNulls(JsonNode? node)
    {
        if (node is JsonArray items)
        {
            items.RemoveAll(item => item is null);
            foreach (var item in items)
                WithoutNulls(item);
        }
        else if (node is JsonObject fields)
            foreach (var field in fields)
                WithoutNulls(field.Value);
    }
}

/// <summary>What was read of something stored, and what had to be left out of it, each with its place.</summary>
public sealed record Mended<T>(T Value, IReadOnlyList<FormatProblem> Dropped);
