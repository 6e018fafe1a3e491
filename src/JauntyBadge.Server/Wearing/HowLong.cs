using JauntyBadge.Core;
using JauntyBadge.Core.Conditioning;
using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Fitting;
using JauntyBadge.Core.Wearing;
using JauntyBadge.Data;
using JauntyBadge.Data.Fitting;
using JauntyBadge.Data.Wearing;
using JauntyBadge.Server.Devices;
using JauntyBadge.Server.Fitting;
using JauntyBadge.Server.People;
using JauntyBadge.Server.Shared;
using UnitsNet;

namespace JauntyBadge.Server.Wearing;

/// <summary>How long a dog may wear its muzzle now: what decides it is at hand, and however it will be worn is answered from that.</summary>
internal sealed class HowLong
{
    private readonly FitFile fit;
    private readonly Writing writing;
    private readonly IReadOnlyList<PlacedReading> latest;
    private readonly StationNews said;
    private readonly DateTimeOffset now;
    private readonly WearQuestion? asked;

    private HowLong(FitFile fit, Writing writing, IReadOnlyList<PlacedReading> latest, StationNews said, DateTimeOffset now)
    {
        (this.fit, this.writing, this.latest, this.said, this.now) = (fit, writing, latest, said, now);
        if (fit.File.Muzzle.Choice?.KeptFit is { } choice)
            asked = QuestionOf(fit, choice, WornOf(choice, Rules), now.UtcDateTime);
    }

    private HouseRules Rules => fit.File.Measured.Rules;

    /// <summary>Reads what decides it, of a dog that is at hand.</summary>
    public static async Task<HowLong> LoadAsync(
        FitFile fit,
        PracticeDb db,
        Pen pen,
        StationService station,
        Asker asker,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        var (now, said) = (clock.GetUtcNow(), WeatherEndpoints.NewsFor(asker, station));
        var latest = await WeatherEndpoints.LatestAsync(db, said, now, asker, fit.File.Dog.Id, cancel);
        return new(fit, await pen.WithAsync(fit.File.Measured.Rules, cancel), latest, said, now);
    }

    /// <summary>However it may be worn at a place.</summary>
    public IReadOnlyList<LimitWhenDto> However(string? place)
    {
        bool[] either = [false, true];
        return
        [
            .. from exercise in either
            from inSun in either
            from hotGround in either
            select new LimitWhenDto(exercise, inSun, hotGround, Of(new(exercise, place, inSun, hotGround))),
        ];
    }

    /// <summary>As it will be worn.</summary>
    public WearLimitDto Of(LimitEntry entry)
    {
        var (file, today, rules, words) = (fit.File, fit.Today, Rules, new WearingWords(writing));
        var read =
            entry.Place.OrNull() is { } place ? latest.FirstOrDefault(r => r.Place == place)
            : latest is [var newest, ..] ? newest
            : null;
        var known = read is not null && !read.Reading.IsStale(now, rules) ? read.Reading.Weather : null;
        var weather = read is null ? null : WeatherReadDto.Of(read, now, rules);
        if (asked is null || file.Muzzle.Choice?.KeptFit is not { } choice)
            return new WearLimitDto(
                null,
                null,
                null,
                words.NoMuzzle,
                0,
                [],
                null,
                "",
                weather,
                [],
                null,
                0,
                new DogWords(writing).Cautions(file.Profile, today),
                0,
                0,
                0
            );
        var question = asked with
        {
            Weather = known,
            HeatUnknown = known is null,
            Exercise = entry.Exercise == true,
            InSun = entry.InSun == true,
            HotGround = entry.HotGround == true,
        };
        var limit = WearLimit.Of(question, rules);
        var next = HappyWear.Next(
            file.Worn.Habits?.Loves ?? [],
            [.. file.Record.Worn.Wears.Where(w => w.Occasion == Occasion.Fun).Select(w => w.HappyId).OfType<string>()],
            asked.Muzzle,
            limit.Band,
            known?.IsFrost == true
        );
        var nextCap = next is null ? TimeSpan.Zero : WearLimit.Of(question with { Exercise = question.Exercise || next.Exercise }, rules).Cap;
        return new WearLimitDto(
            $"{choice.Model} {choice.Size.Label}",
            (file.Muzzle.LastTryOn?.Seen.Strap ?? choice.Strap) is { } strap
                ? words.Strap(
                    strap.Hole,
                    strap.Holes,
                    strap.FromTightestMm is { } open ? Length.FromMillimeters(open) : null,
                    Length.FromMillimeters(strap.LoopMm)
                )
                : null,
            file.Record.IsOutOfUse(today) && file.Worn.Habits?.HasSpare == true ? words.UseTheSpare : new FittingWords(writing).Caution(choice.Type),
            words.Headline(limit, question),
            limit.Cap.TotalSeconds,
            [.. limit.Lines.Select(l => new LimitLineDto(words.Says(l, question, limit), l.Cap.TotalSeconds, l.Basis))],
            limit.Band,
            known is not null ? words.Heat(known, limit.Movers) : words.NotKnown(read?.Reading.Age(now)),
            weather,
            // Where it is not worn whatever the weather, no hour is cool enough.
            WearLimit.Of(question with { Weather = null, HeatUnknown = false }, rules).NotNow
                ? []
                :
                [
                    .. WearAhead
                        .Of(question with { HeatUnknown = false }, said.Foretold, rules)
                        .Select(s => new StretchDto(s.From, s.To, s.Band, words.Of(s.Band, s.Frost), s.Cap.TotalSeconds)),
                ],
            next is null ? null : words.Told(next),
            nextCap.TotalSeconds,
            new DogWords(writing).Cautions(file.Profile, today),
            WearLimit.Soon(limit.Cap, rules).TotalSeconds,
            WearLimit.Soon(nextCap, rules).TotalSeconds,
            rules[WearLimit.ForgottenOver].TotalSeconds
        );
    }

    /// <summary>The wear that is asked about, without its weather.</summary>
    public static WearQuestion QuestionOf(FitFile fit, KeptFit choice, WornMuzzle muzzle, DateTime now)
    {
        var (file, today) = (fit.File, fit.Today);
        var past = file.Record.PastWears(today, now);
        return new(
            WearingDog.Of(file.Profile, today, file.Worn.Habits?.VeterinarianMinutes is { } minutes ? TimeSpan.FromMinutes(minutes) : null),
            muzzle,
            null,
            Trained: file.Record.TrainedTo,
            LongestComfortable: past.Longest
        )
        {
            OutOfUse = file.Record.IsOutOfUse(today) && file.Worn.Habits?.HasSpare != true,
            FitWrong = file.Record.Muzzle?.Tried?.Finding is { Wrong.Count: > 0 } wrong ? wrong : null,
            Past = past,
            TrainingOnly = choice.ToTrainIn,
            RuledOut = choice.ToTrainIn ? null : fit.Against(choice, file.Muzzle.Choice!.SizeId),
        };
    }

    /// <summary>The muzzle in use as wearing sees it.</summary>
    public static WornMuzzle WornOf(KeptFit choice, HouseRules rules) =>
        new(choice.Type, choice.GapeDeg is { } degrees ? Gape.Classify(Angle.FromDegrees(degrees), rules) : GapeClass.Closed);
}
