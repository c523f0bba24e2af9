using Nokko.Core.JobFile;
using Nokko.Core.Jobs;
using Nokko.Core.Tests.Jobs;
using Xunit;

namespace Nokko.Core.Tests.JobFile;

/// <summary>A job as it may be shown to anybody.</summary>
public class WithoutNamesTests
{
    [Fact]
    public void Nobody_and_no_plate_stands_in_it_and_everything_computed_stays()
    {
        var shop = new Workshop();
        shop.Begun();
        shop.ReadAll(("LF", "22 1/2"), ("LR", "22 7/8"), ("RR", "22 7/8"), ("RF", "22 1/2"));
        var d = shop.Document with
        {
            Owner = shop.Document.Owner with { Name = "Wren Quarry", Contact = "555 0101" },
            Vehicle = shop.Document.Vehicle with { Plate = "WQ 5 B", Vin = "1A2B3C" },
            Job = shop.Document.Job with { OwnerNotes = "Call Wren" },
            People = [.. shop.Document.People.Select(p => p with { Name = "Brenna Tarn" })],
            Signatures =
            [
                new()
                {
                    Id = shop.Key(),
                    Name = "Wren Quarry",
                    As = SignedAs.Owner,
                    Told = ["Slowly."],
                    Strokes =
                    [
                        [1, 1, 2, 2, 3, 3, 4, 4],
                    ],
                    PersonId = shop.PersonId,
                    At = shop.Now,
                },
            ],
        };
        var bare = WithoutNames.Of(d);
        var text = JobJson.Canonical(bare);
        foreach (var name in new[] { "Wren", "555", "WQ 5 B", "1A2B3C", "Brenna Tarn" })
        {
            Assert.DoesNotContain(name, text, StringComparison.Ordinal);
        }
        Assert.Equal(
            JobJson
                .Canonical(JobEvaluator.Evaluate(d))
                .Replace(" WQ 5 B", "", StringComparison.Ordinal),
            JobJson.Canonical(JobEvaluator.Evaluate(bare))
        );
        Assert.IsType<JobDocument>(JobFileReader.Read(text).Document);
    }
}
