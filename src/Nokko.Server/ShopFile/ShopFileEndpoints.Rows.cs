using System.IO.Compression;
using Microsoft.EntityFrameworkCore;
using Nokko.Core.JobFile;
using Nokko.Core.Jobs;
using Nokko.Core.Tape;
using Nokko.Server.JobFile;
using Nokko.Server.People;
using Nokko.Storage;

namespace Nokko.Server.ShopFile;

using ShopFile = Core.JobFile.ShopFile;

/// <content>Jobs and people of a whole shop, put into the database.</content>
internal static partial class ShopFileEndpoints
{
    /// <summary>Jobs in the order in which they were taken in: a later one of a vehicle continues the rows of an earlier one.</summary>
    private static async Task<int> PutJobs(
        NokkoDb db,
        HashSet<Guid> ofShop,
        IEnumerable<ZipArchiveEntry> entries,
        CancellationToken cancel
    )
    {
        var order = new List<(DateTimeOffset At, Guid Id, ZipArchiveEntry Entry)>();
        foreach (var entry in entries)
        {
            var job = (await Read(entry, cancel)).Job;
            order.Add((job.TakenInAt, job.Id, entry));
        }
        // What a vehicle carries from job to job, by vehicle: no other one has a share in it.
        var ofVehicle = new Dictionary<Guid, HashSet<Guid>>();
        foreach (var (_, id, entry) in order.OrderBy(o => o.At).ThenBy(o => o.Id))
        {
            var d = await Read(entry, cancel);
            if (!ofShop.Contains(d.Owner.Id) || !ofShop.Contains(d.Platform.Id))
            {
                throw Refuse.Value(
                    entry.FullName,
                    "Its owner or its platform is not in shop.json."
                );
            }
            foreach (var sha256 in d.Attachments.Select(a => a.Sha256).Distinct())
            {
                if (!await db.Files.AnyAsync(f => f.Sha256 == sha256, cancel))
                {
                    throw Refuse.Value(
                        entry.FullName,
                        $"The file {sha256} is named but not in the zip."
                    );
                }
            }
            if (!ofVehicle.TryGetValue(d.Vehicle.Id, out var there))
            {
                ofVehicle[d.Vehicle.Id] = there = [.. ofShop];
            }
            if (there.Contains(id))
            {
                throw Refuse.Value(entry.FullName, "This job stands in the zip twice.");
            }
            db.PutJob(d, there);
            await db.SaveNew(id, cancel);
            db.ChangeTracker.Clear();
        }
        return order.Count;
    }

    private static async Task<JobDocument> Read(ZipArchiveEntry entry, CancellationToken cancel)
    {
        var read = JobFileReader.Read(
            Unpacked.Text(await Unpacked.Read(entry, Unpacked.MostJson, cancel))
        );
        return read.Document
            ?? throw Refuse.Value($"{entry.FullName} {read.Error!.Path}", read.Error.Message);
    }

    /// <summary>People come without a password: the owner makes each a link. Who has the same name to sign in with as somebody here stays a name on the record.</summary>
    private static async Task<IReadOnlyList<string>> PutPeople(
        NokkoDb db,
        SignedIn me,
        ShopFile file,
        IServiceScopeFactory scopes,
        CancellationToken cancel
    )
    {
        // A name to sign in with is of all shops, and this one sees its own alone.
        await using var door = scopes.CreateAsyncScope();
        var all = door.ServiceProvider.GetRequiredService<NokkoDb>().Users;
        var notTaken = new List<string>();
        foreach (var person in file.People.Where(p => p.Id != me.PersonId))
        {
            var name = person.UserName.ToUpperInvariant();
            if (await all.AnyAsync(a => a.NormalizedUserName == name, cancel))
            {
                notTaken.Add(person.UserName);
                continue;
            }
            db.Users.Add(
                new Account
                {
                    Id = person.Id,
                    ShopId = me.ShopId,
                    PersonName = person.Name,
                    UserName = person.UserName,
                    NormalizedUserName = name,
                    Role = person.Role,
                    LengthUnit = person.LengthUnit.Symbol,
                    RemovedAt = person.Left,
                    SecurityStamp = Guid.NewGuid().ToString("N"),
                }
            );
        }
        return notTaken;
    }
}
