using System.Net;

namespace JauntyBadge.Server.Tests;

public sealed class ErrorTests(PracticeServer server)
{
    [Fact]
    public async Task A_body_over_a_megabyte_is_too_large()
    {
        var answer = await server.PostAsync("/api/dogs", $$"""{"name": "{{new string('x', 1_100_000)}}"}""");
        Assert.Equal(HttpStatusCode.RequestEntityTooLarge, answer.Status);
        Assert.Contains("1 MB", answer.Text("detail"), StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("{ this is not json")]
    [InlineData("[1,2,3]")]
    [InlineData("\"text\"")]
    [InlineData("null")]
    [InlineData("")]
    public async Task Nonsense_is_a_clear_400(string body)
    {
        var answer = await server.PostAsync("/api/dogs", body);
        Assert.Equal(HttpStatusCode.BadRequest, answer.Status);
        Assert.Equal("application/problem+json", answer.MediaType);
        Assert.NotEmpty(answer.Text("title"));
    }

    /// <summary>Every address of the API document that reads something by its id says so when nothing has it.</summary>
    [Fact]
    public async Task What_is_not_there_is_a_404()
    {
        var document = (await server.GetAsync("/api/openapi/v1.json")).Json;
        var addresses = document["paths"]!
            .AsObject()
            .Where(p => p.Value!["get"] is not null)
            .Select(p => p.Key)
            .Where(path => path.Contains('{', StringComparison.Ordinal) && !MadeAsAsked.Contains(path))
            .ToList();
        Assert.True(addresses.Count > 20);
        var wrong = new List<string>();
        foreach (
            var path in addresses
                .SelectMany(path => new[] { WithIds(path, "6f9619ff-8b86-d011-b42d-00c04fc964ff"), WithIds(path, "unicorn") })
                .Append("/api/nothing/here")
        )
        {
            var answer = await server.GetAsync(path);
            if (answer.Status != HttpStatusCode.NotFound || answer.MediaType != "application/problem+json")
                wrong.Add($"{path}: {answer.Status}, {answer.MediaType}, {answer.Json}");
        }

        Assert.True(wrong.Count == 0, string.Join('\n', wrong));
    }

    /// <summary>Addresses that refuse what was asked by its name before they look for anything.</summary>
    private static readonly string[] MadeAsAsked = ["/api/demo-pictures/{view}", "/api/dogs/{id}/bench/typing", "/api/dogs/{id}/measuring-sets/compare"];

    private static string WithIds(string path, string id) => System.Text.RegularExpressions.Regex.Replace(path, "\\{[^}]*\\}", id);

    [Theory]
    [InlineData("POST", "/api/dogs/6f9619ff-8b86-d011-b42d-00c04fc964ff/sessions")]
    [InlineData("POST", "/api/dogs/6f9619ff-8b86-d011-b42d-00c04fc964ff/archive")]
    [InlineData("DELETE", "/api/catalogue/unicorn")]
    [InlineData("POST", "/api/catalogue/withy/versions/7")]
    public async Task Nothing_is_done_to_what_is_not_there(string method, string path)
    {
        var answer = await server.SendAsync(new HttpMethod(method), path);
        Assert.Equal(HttpStatusCode.NotFound, answer.Status);
        Assert.Equal("application/problem+json", answer.MediaType);
    }

    public static TheoryData<string, string> WrongDogs =>
        new()
        {
            { """{"name":""}""", "name" },
            { """{"breedIds":[]}""", "name" },
            { """{"name":"Pip","birthDate":"2026-06-02"}""", "birthDate" },
            { """{"name":"Pip","birthDate":"1980-01-01"}""", "birthDate" },
            { """{"name":"Pip","birthDate":"yesterday"}""", "birthDate" },
            { """{"name":"Pip","ageMonths":-3}""", "ageMonths" },
            { """{"name":"Pip","bodyMassKg":-4}""", "bodyMassKg" },
            { """{"name":"Pip","bodyMassKg":4000}""", "bodyMassKg" },
            { """{"name":"Pip","bodyMassKg":"heavy"}""", "bodyMassKg" },
            { """{"name":"Pip","coatId":"invisible"}""", "coatId" },
            { """{"name":"Pip","breedIds":["unicorn"]}""", "breedIds[0]" },
            { """{"name":"Pip","breedIds":["pug","boxer","beagle"]}""", "breedIds" },
            { """{"name":"Pip","temperament":"angelic"}""", "temperament" },
            { """{"name":"Pip","purposes":["flying"]}""", "purposes[0]" },
        };

    [Theory]
    [MemberData(nameof(WrongDogs))]
    public async Task A_wrong_field_of_a_dog_is_named(string body, string field)
    {
        var answer = await server.PostAsync("/api/dogs", body);
        Assert.Equal(HttpStatusCode.BadRequest, answer.Status);
        Assert.NotNull(answer.Problem(field));
    }

    [Theory]
    [InlineData("""{"measure":"noseToInnerEye","text":"95"}""", "side")]
    [InlineData("""{"measure":"neckGirth","side":"left","text":"95"}""", "side")]
    [InlineData("""{"text":"95"}""", "measure")]
    [InlineData("""{"measure":"tail","text":"95"}""", "measure")]
    [InlineData("""{"measure":"neckGirth","text":"-95"}""", "text")]
    [InlineData("""{"measure":"neckGirth","text":"9 km"}""", "text")]
    [InlineData("""{"measure":"neckGirth","text":null}""", "text")]
    [InlineData("""{"id":"x","measure":"neckGirth","text":"95"}""", "id")]
    public async Task A_wrong_reading_is_named_and_nothing_is_kept(string body, string field)
    {
        var dog = await server.NewDogAsync();
        var answer = await server.PostAsync($"{dog}/readings", body);
        Assert.Equal(HttpStatusCode.BadRequest, answer.Status);
        Assert.NotNull(answer.Problem(field));
        Assert.Empty((await server.GetAsync($"{dog}/bench"))["readings"]!.AsArray());
    }

    [Theory]
    [InlineData("bench?unit=ell", "unit")]
    [InlineData("bench/typing?text=9", "measure")]
    [InlineData("bench/typing?measure=tail&text=9", "measure")]
    [InlineData("bench/typing?measure=neckGirth&text=9&tool=eye", "tool")]
    [InlineData("measuring-sets/compare?before=6f9619ff-8b86-d011-b42d-00c04fc964ff&after=6f9619ff-8b86-d011-b42d-00c04fc964ff", "before")]
    [InlineData("fits?fitStyle=strict", "fitStyle")]
    [InlineData("fits?fingers=77", "fingers")]
    [InlineData("fits?fingers=many", "fingers")]
    [InlineData("fits?minutes=0", "minutes")]
    [InlineData("fits?mostPrice=cheap", "mostPrice")]
    [InlineData("fits?by=tomorrow", "by")]
    [InlineData("try-on?unit=ell", "unit")]
    [InlineData("fits?uses=walks&uses=flying", "uses")]
    public async Task A_wrong_query_is_named(string query, string field)
    {
        var answer = await server.GetAsync($"{await server.NewDogAsync()}/{query}");
        Assert.Equal(HttpStatusCode.BadRequest, answer.Status);
        Assert.NotNull(answer.Problem(field));
    }

    [Theory]
    [InlineData("application/json; charset=klingon", HttpStatusCode.UnsupportedMediaType)]
    [InlineData("application/json; charset=", HttpStatusCode.UnsupportedMediaType)]
    [InlineData("application/json; charset=utf-16", HttpStatusCode.Created)]
    [InlineData("text/plain", HttpStatusCode.UnsupportedMediaType)]
    public async Task An_encoding_nobody_knows_is_refused(string type, HttpStatusCode status)
    {
        using var content = new ByteArrayContent(
            (type.Contains("16", StringComparison.Ordinal) ? System.Text.Encoding.Unicode : System.Text.Encoding.UTF8).GetBytes("""{"name":"Pip"}""")
        );
        content.Headers.TryAddWithoutValidation("Content-Type", type);
        using var answer = await server.Http.PostAsync("/api/dogs", content, TestContext.Current.CancellationToken);
        Assert.Equal(status, answer.StatusCode);
    }

    [Theory]
    [InlineData("/api/what-if/strap", """{"neckGirthMm":1e999}""")]
    [InlineData("/api/dogs", """{"name":"Pip","bodyMassKg":1e999}""")]
    [InlineData("/api/dogs", """{"name":"Pip","bodyMassKg":-1e999}""")]
    public async Task A_number_beyond_numbers_is_refused_by_name(string path, string body)
    {
        var answer = await server.PostAsync(path, body);
        Assert.Equal(HttpStatusCode.BadRequest, answer.Status);
        Assert.Contains("a number is expected", answer.Json["errors"]!.AsObject().First().Value![0]!.GetValue<string>(), StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("٩٥")]
    [InlineData("９５ mm")]
    [InlineData("३ १/२ in")]
    public async Task A_reading_in_other_digits_is_refused_with_words(string text)
    {
        var answer = await server.PostAsync($"{await server.NewDogAsync()}/readings", new { measure = "neckGirth", text });
        Assert.Equal(HttpStatusCode.BadRequest, answer.Status);
        Assert.NotNull(answer.Problem("text"));
    }
}
