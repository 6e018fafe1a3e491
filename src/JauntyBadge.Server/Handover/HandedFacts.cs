using JauntyBadge.Core;
using JauntyBadge.Core.Conditioning;
using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Fitting;
using JauntyBadge.Core.Handover.Cards;
using JauntyBadge.Core.Handover.Reports;
using JauntyBadge.Core.Wearing;
using JauntyBadge.Data;
using JauntyBadge.Data.Conditioning;
using JauntyBadge.Data.Handover;
using JauntyBadge.Server.Devices;
using JauntyBadge.Server.Fitting;
using JauntyBadge.Server.People;
using JauntyBadge.Server.Shared;
using JauntyBadge.Server.Wearing;
using Microsoft.EntityFrameworkCore;

namespace JauntyBadge.Server.Handover;

/// <summary>Loads what cards and reports are made from.</summary>
internal static class HandedFacts
{
    /// <summary>The facts of a dog's card.</summary>
    public static async Task<(FitFile Fit, CardFacts Facts)> CardAsync(
        Guid id,
        PracticeDb db,
        Pen pen,
        StationService station,
        Asker asker,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        var fit = await FitFile.LoadAsync(db, pen, id, clock, cancel);
        var (file, now, rules) = (fit.File, clock.GetUtcNow(), fit.File.Measured.Rules);
        var (choice, row) = (file.Muzzle.Choice?.KeptFit, file.Dog);
        WearQuestion? question = null;
        if (choice is not null)
        {
            var latest = await WeatherEndpoints.LatestAsync(db, WeatherEndpoints.NewsFor(asker, station), now, asker, id, cancel);
            var read = latest is [var newest, ..] && !newest.Reading.IsStale(now, rules) ? newest.Reading.Weather : null;
            var asked = HowLong.QuestionOf(fit, choice, HowLong.WornOf(choice, rules), now.UtcDateTime);
            // A card is read for longer than the pause after a wear lasts.
            question = asked with
            {
                Weather = read,
                HeatUnknown = read is null,
                Past = asked.Past with { PauseLeft = TimeSpan.Zero },
            };
        }

        var practice = await PracticeRow.LoadAsync(db, cancel);
        var signs = await db
            .Signs.Join(db.Sets.Where(s => s.DogId == id), s => s.SetId, s => s.Id, (sign, _) => sign.SignId)
            .GroupBy(s => s)
            .Select(g => new { g.Key, Count = g.Count() })
            .ToListAsync(cancel);
        return (
            fit,
            new CardFacts
            {
                Record = file.Record,
                Today = clock.Today(),
                Muzzle = choice,
                Strap = file.Muzzle.LastTryOn?.Seen.Strap ?? choice?.Strap,
                HasSpare = file.Worn.Habits?.HasSpare == true,
                Question = question,
                Limit = question is null ? null : WearLimit.Of(question, rules),
                WhenCool = question is null ? null : WearLimit.Of(question with { Weather = null, HeatUnknown = false }, rules),
                Passed = [.. file.Trained.Passes.Select(p => new PassedStep(p.StepId, p.Day, p.How))],
                OwnSigns = CardFacts.First(signs.Select(s => (s.Key, s.Count))),
                Cue = row.Cue,
                TreatId = file.Worn.Habits?.TreatId,
                Avoids = file.Worn.Habits?.Avoids ?? [],
                BitesAbout = row.BitesAbout,
                FamilyWasTold = row.FamilyWasTold,
                Keeper = new(row.Keeper, row.KeeperPhone),
                Clinic = new(row.ClinicName, row.ClinicPhone),
                Fitter = new(practice.Name, practice.Phone),
            }
        );
    }

    /// <summary>The facts of a dog's report.</summary>
    public static async Task<ReportFacts> ReportAsync(Guid id, CardFacts card, FitFile fit, PracticeDb db, CancellationToken cancel)
    {
        var (rules, writing) = (fit.File.Measured.Rules, fit.Writing);
        var words = new ConditioningWords(writing);
        var sessions = Progress.Of(await db.ProgressSetsAsync(id, cancel), rules).Sessions;
        var moves = await db.PlanMoves.AsNoTracking().Where(m => m.DogId == id).OrderBy(m => m.Number).ToListAsync(cancel);
        var sets = await db.Sets.AsNoTracking().Where(s => s.DogId == id && s.Overruled != null).OrderBy(s => s.Id).ToListAsync(cancel);
        var ways = await db.PlanChoices.AsNoTracking().Where(c => c.DogId == id && c.Reason != null).OrderBy(c => c.Id).ToListAsync(cancel);
        var wears = await db.Wears.AsNoTracking().Where(w => w.DogId == id && w.RemovedAt == null).OrderBy(w => w.StartedAt).ToListAsync(cancel);
        IEnumerable<WhatWasTried> tried =
        [
            .. moves
                .Where(m => m.ByHand || m.Resumes || m.Why is { Cause: not MoveCause.Decided } || m.Why?.Decision is { OffersWayOut: true })
                .Select(m => new WhatWasTried(
                    db.DayOf(m.At),
                    string.Join(
                        " ",
                        new[]
                        {
                            m.Why is { } why ? $"{(why.Decision is { } made ? $"{words.OnRecord(made.StepId)}: " : "")}{words.Moved(why)}" : null,
                            m.Reason,
                        }.Where(s => !string.IsNullOrWhiteSpace(s))
                    )
                )),
            .. sets.Select(s => new WhatWasTried(s.Day, words.Overruled(Step.Find(s.StepId), s.OverruledTo ?? s.Target, s.Overruled!))),
            .. ways.DistinctBy(w => (w.School, w.Reason)).Select(w => new WhatWasTried(db.DayOf(w.At), $"{words.Told(School.Of(w.School)).Name}: {w.Reason}")),
        ];
        var occasions = fit.File.Record.Worn.Occasions(rules);
        return new(
            card,
            sessions,
            [.. tried.Where(t => t.Says != "").OrderBy(t => t.On)],
            [
                .. wears
                    .Where(w => w.AsRecord.AsWear.WentBadly)
                    .Select(w => new BadWear(w.Day, w.EndedAt - w.StartedAt, [.. w.Seen.Select(s => s.SignId).Distinct()])),
            ],
            ReportFacts.BalanceOf(occasions, card.Today, rules)
        );
    }
}
