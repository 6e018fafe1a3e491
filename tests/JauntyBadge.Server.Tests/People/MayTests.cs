using System.Net;
using System.Text.Json.Nodes;
using JauntyBadge.Core.People;

namespace JauntyBadge.Server.Tests.People;

/// <summary>Every address of the API document, asked by every kind of person, of an own dog and of another's.</summary>
public sealed class MayTests(ClosedPractice practice) : IClassFixture<ClosedPractice>
{
    /// <summary>The chapter's table a second time, address by address: what a keeper may.</summary>
    private static readonly string[] OfKeeper =
    [
        .. Words("dog record whoDidWhat plan waysOfWorking schoolsCompared whereToBegin outlook progress chooseTrainingWeek"),
        .. Words("startSession sessionRecord nextSession session putGo deleteGo putSign deleteSign finishSet endSession"),
        .. Words(
            "wearLimit wearLimits wears putWear removeWear restoreWear addWearPicture wearPicture balance inspections inspect removeInspection restoreInspection"
        ),
        .. Words("appointments putAppointment removeAppointment restoreAppointment habits putHabits treats weather typeWeather"),
        .. Words("card cardPdf dogDays calendarFile papers paper dossier home news putNews readNews addNewsPicture newsPicture"),
        .. Words("me ownDevices signOutThere practise coatColours about happyWears wornSigns signs signPictures stepDrawing writing"),
    ];

    /// <summary>A clinic reads a card, and what any page needs.</summary>
    private static readonly string[] OfClinic = Words("card cardPdf me ownDevices signOutThere practise coatColours about happyWears wornSigns signs writing");

    /// <summary>Whoever knocks.</summary>
    private static readonly string[] OfAnyone = Words("signIn signOut lookAtLink comeIn askForPasskey signInByPasskey pair setAside");

    /// <summary>All that a helper may change; they read what a fitter reads of dogs, and nothing of the whole practice.</summary>
    private static readonly string[] ChangedByHelper =
    [
        .. Words("addReading removeReading restoreReading jawHeld addPhoto markPhoto removePhoto restorePhoto takeFromPhoto claimTape standInTape"),
        .. Words("startSession putGo deleteGo putSign deleteSign finishSet endSession"),
        .. Words(
            "putWear removeWear restoreWear addWearPicture inspect removeInspection restoreInspection putAppointment removeAppointment restoreAppointment putHabits"
        ),
        .. Words("typeWeather putNews readNews addNewsPicture signOutThere setOwnPassword askToMakePasskey addPasskey removePasskey"),
    ];

    /// <summary>What is asked in a body, and changes nothing.</summary>
    private static readonly string[] OnlyAsked = Words("practise wearLimit diagnose drawSize openChart readChart previewReadings");

    [Fact]
    public void Each_address_says_who_may_use_it()
    {
        var said = Operations().ToDictionary(o => o.Id, o => o.May);
        Assert.Empty(said.Where(s => s.Value.Count == 0).Select(s => s.Key));
        Assert.Equal(OfAnyone.Order(), said.Where(s => s.Value.Contains("anyone")).Select(s => s.Key).Order());
        Assert.Equal(OfKeeper.Order(), said.Where(s => s.Value.Contains("keeper")).Select(s => s.Key).Order());
        Assert.Equal(OfClinic.Order(), said.Where(s => s.Value.Contains("clinic")).Select(s => s.Key).Order());
        Assert.Equal(
            ChangedByHelper.Order(),
            Operations().Where(o => o.May.Contains("helper") && o.Method != "get" && !OnlyAsked.Contains(o.Id)).Select(o => o.Id).Order()
        );
        Assert.Empty(said.Where(s => !s.Value.Contains("anyone") && !s.Value.Contains("fitter")).Select(s => s.Key));
    }

    [Fact]
    public async Task Nobody_does_more_than_that()
    {
        var fitter = await practice.SignInAsync("Fern", PersonKind.Fitter);
        var helper = await practice.SignInAsync("Hazel", PersonKind.Helper);
        var (own, other) = await TwoDogsAsync(fitter);
        var keeper = await practice.PairAsync(fitter, own, "keeper");
        var clinic = await practice.PairAsync(fitter, own, "clinic");
        var sessions = await Task.WhenAll(
            new[] { own, other }.Select(async d => (await fitter.GetAsync($"/api/dogs/{d}/sessions")).Json[0]!["id"]!.ToString())
        );
        var wrong = new List<string>();
        foreach (var operation in Operations().Where(o => !o.May.Contains("anyone")))
        {
            await WalkAsync("nobody", practice.Visit(), mine: true, HttpStatusCode.Unauthorized);
            // A fitter's changes without an id would be done to the whole practice.
            if (operation.Method == "get" || operation.Path.Contains('{', StringComparison.Ordinal))
                await WalkAsync("fitter", fitter, mine: false, null);
            await WalkAsync("helper", helper, mine: false, operation.May.Contains("helper") ? null : HttpStatusCode.Forbidden);
            foreach (var (kind, who) in new[] { ("keeper", keeper), ("clinic", clinic) })
            {
                await WalkAsync(kind, who, mine: true, operation.May.Contains(kind) ? null : HttpStatusCode.Forbidden);
                if (IsOfDog(operation.Path))
                    await WalkAsync(kind, who, mine: false, HttpStatusCode.NotFound);
            }

            async Task WalkAsync(string kind, Visitor who, bool mine, HttpStatusCode? expected)
            {
                var path = operation
                    .Path.Replace("/dogs/{id}", $"/dogs/{(mine ? own : other)}", StringComparison.Ordinal)
                    .Replace("/sessions/{sessionId}", $"/sessions/{sessions[mine ? 0 : 1]}", StringComparison.Ordinal)
                    .Replace("{number}", "1", StringComparison.Ordinal)
                    .Replace("{name}", "none", StringComparison.Ordinal)
                    .Replace("{kind}", "strip", StringComparison.Ordinal)
                    .Replace("{revision}", "1", StringComparison.Ordinal);
                path = System.Text.RegularExpressions.Regex.Replace(path, "[{](\\w+)[}]", $"{Guid.NewGuid()}");
                if (operation.Id is "card" or "cardPdf")
                    path += kind == "clinic" ? "?for=clinic" : "?for=family";
                // No body that anything could be done with.
                var answer = await who.SendAsync(
                    new HttpMethod(operation.Method.ToUpperInvariant()),
                    path,
                    operation.Method is "get" or "delete" ? null : operation.Takes,
                    checks: false
                );
                var isRefused = answer.Status is HttpStatusCode.Unauthorized or HttpStatusCode.Forbidden;
                if (expected is { } status ? answer.Status != status : isRefused || (int)answer.Status >= 500)
                    wrong.Add($"{kind} {operation.Method} {path}: {(int)answer.Status}, not {expected?.ToString() ?? "let in"}");
            }
        }

        Assert.True(wrong.Count == 0, string.Join("\n", wrong));
    }

    /// <summary>A thing of another dog under one's own dog's address is not found, for everybody, in the words of what is not there at all.</summary>
    [Fact]
    public async Task What_belongs_to_another_dog_is_not_found_under_ones_own()
    {
        // Of its own: what is walked elsewhere begins measuring sets and more.
        using var practice = new ClosedPractice();
        var fitter = await practice.SignInAsync("Rowan", PersonKind.Fitter);
        var (own, other) = await TwoDogsAsync(fitter);
        var keeper = await practice.PairAsync(fitter, own, "keeper");
        var of = new Dictionary<string, (string Id, object? Body)>();
        async Task FindAsync(string parameter, string list, string? within = null, object? body = null)
        {
            var answer = (await fitter.GetAsync($"/api/dogs/{other}/{list}")).Json;
            var rows = within is null ? answer.AsArray() : answer[within]!.AsArray();
            Assert.NotEmpty(rows);
            of[parameter] = (rows[0]!["id"]!.ToString(), body);
        }

        await FindAsync(
            "wearId",
            "wears",
            body: new
            {
                startedAt = "2026-05-01T10:00:00Z",
                endedAt = "2026-05-01T10:05:00Z",
                occasion = "fun",
                signs = Array.Empty<object>(),
            }
        );
        await FindAsync("inspectionId", "inspections", "inspections");
        await FindAsync("appointmentId", "appointments", body: new { day = "2026-06-09", kind = "other" });
        var note = Guid.NewGuid();
        await fitter.PutAsync($"/api/dogs/{other}/news/{note}", new { text = "Come on Friday." });
        of["noteId"] = ($"{note}", new { text = "Come on Friday." });
        await FindAsync("readingId", "bench", "readings", new { keep = true });
        await FindAsync("choiceId", "choices", body: new { });
        var wrong = new List<string>();
        foreach (var operation in Operations().Where(o => o.Path.StartsWith("/api/dogs/{id}/", StringComparison.Ordinal)))
        foreach (var (parameter, (id, body)) in of.Where(p => operation.Path.Contains($"{{{p.Key}}}", StringComparison.Ordinal)))
        {
            var path = operation
                .Path.Replace("{id}", own, StringComparison.Ordinal)
                .Replace($"{{{parameter}}}", id, StringComparison.Ordinal)
                .Replace("{pictureId}", $"{Guid.NewGuid()}", StringComparison.Ordinal);
            if (path.EndsWith("/picture", StringComparison.Ordinal) && operation.Method == "post" || path.EndsWith("/pictures", StringComparison.Ordinal))
                continue;
            foreach (var (kind, who) in new[] { ("fitter", fitter), ("keeper", keeper) }.Where(w => operation.May.Contains(w.Item1)))
            {
                var answer = await who.SendAsync(
                    new HttpMethod(operation.Method.ToUpperInvariant()),
                    path,
                    operation.Method is "get" or "delete" ? null : body ?? new { }
                );
                if (answer.Status != HttpStatusCode.NotFound)
                    wrong.Add($"{kind} {operation.Method} {path}: {(int)answer.Status}");
            }
        }

        Assert.True(wrong.Count == 0, string.Join("\n", wrong));
        var missing = (await keeper.GetAsync($"/api/dogs/{Guid.NewGuid()}/wears")).Json;
        var another = (await keeper.GetAsync($"/api/dogs/{other}/wears")).Json;
        Assert.Equal((missing["title"]!.ToString(), missing["detail"]!.ToString()), (another["title"]!.ToString(), another["detail"]!.ToString()));
    }

    /// <summary>A picture is asked for again each time, by its tag: whoever signs in at the same browser next is not shown it out of what that kept.</summary>
    [Fact]
    public async Task A_picture_is_not_kept_for_the_next_at_the_same_browser()
    {
        var fitter = await practice.SignInAsync("Sorrel", PersonKind.Fitter);
        var nettle = (await fitter.GetAsync("/api/round")).Json["cards"]!.AsArray().Single(c => c!["name"]!.ToString() == "Nettle")!["id"];
        var photo = (await fitter.GetAsync($"/api/dogs/{nettle}/photos")).Json[0]!["id"];
        Assert.Equal(HttpStatusCode.OK, (await fitter.GetAsync($"/api/dogs/{nettle}/photos/{photo}/picture")).Status);
        Assert.Equal((true, true), (fitter.Last!.Headers.CacheControl!.Private, fitter.Last.Headers.CacheControl.NoCache));
        Assert.Equal(
            HttpStatusCode.NotModified,
            (await fitter.GetAsync($"/api/dogs/{nettle}/photos/{photo}/picture", fitter.Last.Headers.ETag!.ToString())).Status
        );
    }

    private static async Task<(string Own, string Other)> TwoDogsAsync(Visitor fitter)
    {
        var cards = (await fitter.GetAsync("/api/round")).Json["cards"]!.AsArray();
        string Named(string name) => cards.Single(c => c!["name"]!.ToString() == name)!["id"]!.ToString();
        return (Named("Otis"), Named("Juno"));
    }

    private static bool IsOfDog(string path) =>
        path.StartsWith("/api/dogs/{id}", StringComparison.Ordinal) || path.StartsWith("/api/sessions/{sessionId}", StringComparison.Ordinal);

    private static IReadOnlyList<(string Method, string Path, string Id, string Takes, IReadOnlyList<string> May)> Operations() =>
        [
            .. from path in JsonNode.Parse(File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "jaunty-badge.json")))!["paths"]!.AsObject()
            from operation in path.Value!.AsObject()
            select (
                operation.Key,
                path.Key,
                operation.Value!["operationId"]!.ToString(),
                operation.Value["requestBody"]?["content"]!.AsObject().FirstOrDefault().Key ?? "",
                (IReadOnlyList<string>)[.. operation.Value["x-may"]?.AsArray().Select(m => m!.ToString()) ?? []]
            ),
        ];

    private static string[] Words(string list) => list.Split(' ');
}
