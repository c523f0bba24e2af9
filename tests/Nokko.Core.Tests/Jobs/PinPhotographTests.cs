using Nokko.Core.JobFile;
using Nokko.Core.Jobs;
using Nokko.Core.Tape;
using Xunit;

namespace Nokko.Core.Tests.Jobs;

/// <summary>Where the hubs are on a photograph.</summary>
public class PinPhotographTests
{
    private readonly Workshop _shop = new();
    private readonly Guid _picture;

    public PinPhotographTests()
    {
        _picture = _shop.Key();
        _shop.Document = _shop.Document with
        {
            Attachments =
            [
                new()
                {
                    Id = _picture,
                    Sha256 = new string('a', 64),
                    MediaType = "image/jpeg",
                    PersonId = _shop.PersonId,
                    At = _shop.Now,
                },
            ],
        };
    }

    private PinPhotograph Pin(params double[] pins) => new(_shop.Key(), _picture, pins);

    [Fact]
    public void Marked_hubs_are_kept_marked_anew_taken_back_and_go_with_the_job_file()
    {
        _shop.Do(Pin(0.2, 0.7, 0.8, 0.7));
        var again = Pin(0.22, 0.71, 0.79, 0.7);
        _shop.Do(again);
        Assert.Equal([0.22, 0.71, 0.79, 0.7], _shop.Document.Attachments.Single().Pins!);
        var read = JobFileReader.Read(JobJson.Canonical(_shop.Document)).Document!;
        Assert.Equal([0.22, 0.71, 0.79, 0.7], read.Attachments.Single().Pins!);
        _shop.Do(new TakeBack(_shop.Key(), again.CommandId));
        Assert.Equal([0.2, 0.7, 0.8, 0.7], _shop.Document.Attachments.Single().Pins!);
    }

    [Fact]
    public void What_is_no_hub_is_refused_where_it_stands_and_in_a_file()
    {
        foreach (
            var pins in new double[][]
            {
                [],
                [0.2, 0.7, 0.8],
                [0.2, 0.7, 0.8, 1.01],
                [-0.01, 0.7, 0.8, 0.7],
                [double.NaN, 0.7, 0.8, 0.7],
                [0.5, 0.2, 0.55, 0.9],
            }
        )
        {
            Assert.Equal("pins", _shop.Refused(Pin(pins)).Field);
        }
        Assert.Equal(
            RefusalKind.Gone,
            _shop.Refused(Pin(0.2, 0.7, 0.8, 0.7) with { Id = _shop.Key() }).Kind
        );
        _shop.Do(Pin(0.21375, 0.7, 0.8, 0.7));
        var broken = JobJson
            .Canonical(_shop.Document)
            .Replace("0.21375", "1.21375", StringComparison.Ordinal);
        Assert.Equal("$.attachments[0].pins", JobFileReader.Read(broken).Error?.Path);
    }
}
