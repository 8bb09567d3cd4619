using System.Reflection;
using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Server.Workbench;

namespace HourGrid.Server.Tests;

/// <summary>Asks that differ in anything have digests that differ: whichever single field of an ask is another one.</summary>
public sealed class AskDigestTests
{
    [Fact]
    public void Every_field_of_an_ask_counts()
    {
        var plain = new Filling(changed: null);
        var ask = plain.Fill<Ask>();
        Assert.InRange(plain.Fields.Count, 50, 500);
        Assert.Contains("Ask.DayLimits.MaxStretchMinutes", plain.Fields);
        var digests = Enumerable
            .Range(0, plain.Fields.Count)
            .Select(field => AskDigest.Of(new Filling(field).Fill<Ask>()))
            .Append(AskDigest.Of(ask))
            .ToArray();
        var same = digests.Index().GroupBy(one => one.Item).Where(group => group.Count() > 1);
        Assert.Empty(same.Select(group => plain.Fields[group.First().Index]));
        Assert.Equal(AskDigest.Of(ask), AskDigest.Of(new Filling(changed: null).Fill<Ask>()));
    }

    /// <summary>An ask filled in everywhere, all of it alike but for one field, in the order in which they are come to.</summary>
    private sealed class Filling(int? changed)
    {
        public List<string> Fields { get; } = [];

        public T Fill<T>() => (T)Fill(typeof(T), typeof(T).Name);

        private object Fill(Type type, string path)
        {
            if (Nullable.GetUnderlyingType(type) is { } inner)
                return Fill(inner, path);
            if (type == typeof(Minute))
                return new Minute(600 + Other(path));
            if (type == typeof(MinuteInterval))
                return new MinuteInterval(new(600 + Other($"{path}.Start")), new(700 + Other($"{path}.End")));
            if (type == typeof(string))
                return $"text {Other(path)}";
            if (type == typeof(bool))
                return Other(path) == 1;
            if (type.IsEnum)
                return Enum.GetValues(type).GetValue(Other(path))!;
            if (type.IsPrimitive)
                return Convert.ChangeType(1 + Other(path), type, null);
            if (type.IsGenericType && type.GetGenericTypeDefinition() == typeof(IReadOnlyList<>))
            {
                var item = type.GetGenericArguments()[0];
                var list = Array.CreateInstance(item, 1);
                list.SetValue(Fill(item, $"{path}[]"), 0);
                return list;
            }
            return FillRecord(type, path);
        }

        private object FillRecord(Type type, string path)
        {
            var constructor = type.GetConstructors().OrderByDescending(one => one.GetParameters().Length).First();
            var given = constructor.GetParameters();
            var record = constructor.Invoke([.. given.Select(one => Fill(one.ParameterType, $"{path}.{one.Name}"))]);
            var set = type.GetProperties(BindingFlags.Public | BindingFlags.Instance)
                .Where(property => property.SetMethod is not null && given.All(one => one.Name != property.Name));
            foreach (var property in set)
                property.SetValue(record, Fill(property.PropertyType, $"{path}.{property.Name}"));
            return record;
        }

        /// <summary>1 where this is the field that is another one, otherwise 0.</summary>
        private int Other(string path)
        {
            Fields.Add(path);
            return Fields.Count - 1 == changed ? 1 : 0;
        }
    }
}
