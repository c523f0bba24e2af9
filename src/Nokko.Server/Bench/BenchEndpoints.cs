using System.Globalization;
using Microsoft.AspNetCore.Http.HttpResults;
using Nokko.Core.Bench;
using Nokko.Core.Tape;
using Nokko.Core.Units;
using Nokko.Server.Hosting;

namespace Nokko.Server.Bench;

/// <summary>Single calculations without a job. What is typed is in the address, so that a link says it all.</summary>
internal static class BenchEndpoints
{
    /// <summary>Units in which somebody types who measures in inches.</summary>
    private static readonly Dictionary<Unit, Unit> Imperial = new()
    {
        [Unit.Mm] = Unit.Inch,
        [Unit.NewtonPerMm] = Unit.PoundPerInch,
        [Unit.Kg] = Unit.Lb,
    };

    public static void Map(RouteGroupBuilder api)
    {
        api.MapGet("/bench", () => TypedResults.Ok(BenchSheets.All));
        api.MapGet("/bench/{sheet}", Work);
    }

    private static Results<Ok<BenchAnswer>, ProblemHttpResult> Work(
        string sheet,
        HttpRequest request
    )
    {
        if (BenchSheets.Find(sheet) is not { } found)
        {
            return Trouble.Missing("There is no such sheet on the bench.").Answer();
        }
        try
        {
            var numbers = found
                .Fields.Where(f => f.Asks == BenchAsks.Number)
                .Select(f =>
                    (f.Name, Value: Number(f, request.Query[f.Name].ToString(), request.Query))
                )
                .Concat(
                    found
                        .Fields.Where(f => f.Asks == BenchAsks.Point)
                        .SelectMany(f => Point(f, request.Query))
                )
                .ToDictionary(n => n.Name, n => n.Value);
            return TypedResults.Ok(
                BenchSheets.Work(
                    sheet,
                    name => numbers.GetValueOrDefault(name),
                    name => request.Query[name].ToString()
                )
            );
        }
        catch (RefusedException e)
        {
            return Trouble.Of(e.Refusal).Answer();
        }
        catch (BenchException e)
        {
            return Trouble.At(e.Field, e.Message).Answer();
        }
    }

    /// <summary>A field as typed; a length may name its own unit, else it is in the one that the link says.</summary>
    private static double? Number(BenchField field, string typed, IQueryCollection query)
    {
        var unit = field.Unit!;
        var typedIn =
            query["unit"] == Unit.Inch.Symbol ? Imperial.GetValueOrDefault(unit, unit) : unit;
        var quantity =
            unit == Unit.One
                ? Plain(field, typed)
                : QuantityInput.Read(
                    new QuantityInput(typed, typedIn, Known.Measured),
                    field.Name,
                    unit,
                    field.Positive
                );
        return quantity is null
            ? field.Optional
                ? null
                : throw Refuse.Value(field.Name, "This one is needed.")
            : quantity.In(unit);
    }

    /// <summary>The three numbers of a point, forward, outward and up.</summary>
    private static IEnumerable<(string Name, double? Value)> Point(
        BenchField field,
        IQueryCollection query
    )
    {
        var typed = query[field.Name].ToString().Split(';', StringSplitOptions.TrimEntries);
        if (typed.Length != 3 || typed.Any(t => t.Length == 0))
        {
            throw Refuse.Value(
                field.Name,
                "Three numbers with a semicolon between: forward; outward; up."
            );
        }
        return typed.Zip(
            (string[])["x", "y", "z"],
            (text, axis) => ($"{field.Name}.{axis}", Number(field, text, query))
        );
    }

    private static Quantity? Plain(BenchField field, string typed) =>
        typed.Trim().Length == 0 ? null
        : double.TryParse(
            typed.Trim().Replace(',', '.'),
            NumberStyles.Float,
            CultureInfo.InvariantCulture,
            out var value
        )
        && double.IsFinite(value)
        && value > 0
            ? new Quantity
            {
                Value = value,
                Unit = Unit.One,
                Known = Known.Told,
            }
        : throw Refuse.Value(field.Name, "A number above zero.");
}
