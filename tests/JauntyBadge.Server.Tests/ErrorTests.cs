using System.Net;

namespace JauntyBadge.Server.Tests;

public sealed class ErrorTests(PracticeServer server) : IClassFixture<PracticeServer>
{
    [Fact]
    public async Task A_body_over_a_megabyte_is_too_large()
    {
        var answer = await server.PostAsync("/api/dogs", new { name = new string('x', 1_100_000) });
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

    [Theory]
    [InlineData("GET", "/api/dogs/6f9619ff-8b86-d011-b42d-00c04fc964ff")]
    [InlineData("GET", "/api/dogs/6f9619ff-8b86-d011-b42d-00c04fc964ff/bench")]
    [InlineData("GET", "/api/dogs/6f9619ff-8b86-d011-b42d-00c04fc964ff/fits")]
    [InlineData("GET", "/api/dogs/6f9619ff-8b86-d011-b42d-00c04fc964ff/plan")]
    [InlineData("POST", "/api/dogs/6f9619ff-8b86-d011-b42d-00c04fc964ff/sessions")]
    [InlineData("POST", "/api/dogs/6f9619ff-8b86-d011-b42d-00c04fc964ff/archive")]
    [InlineData("GET", "/api/sessions/6f9619ff-8b86-d011-b42d-00c04fc964ff")]
    [InlineData("GET", "/api/dogs/not-an-id")]
    [InlineData("GET", "/api/nothing/here")]
    public async Task What_is_not_there_is_a_404(string method, string path)
    {
        var answer = await server.SendAsync(new HttpMethod(method), path);
        Assert.Equal(HttpStatusCode.NotFound, answer.Status);
        Assert.Equal("application/problem+json", answer.MediaType);
    }

    public static TheoryData<string, string> WrongDogs => new()
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
    [InlineData("fits?school=strict", "school")]
    [InlineData("fits?fingers=77", "fingers")]
    [InlineData("fits?fingers=many", "fingers")]
    [InlineData("fits?uses=walks&uses=flying", "uses")]
    public async Task A_wrong_query_is_named(string query, string field)
    {
        var answer = await server.GetAsync($"{await server.NewDogAsync()}/{query}");
        Assert.Equal(HttpStatusCode.BadRequest, answer.Status);
        Assert.NotNull(answer.Problem(field));
    }

    /// <summary>Whatever is thrown at any address that takes a body, the answer is never a 500.</summary>
    [Fact]
    public async Task No_body_makes_the_server_fail()
    {
        var dog = await server.MeasuredDogAsync();
        var session = (await server.PostAsync($"{dog}/sessions")).Text("id");
        var id = Guid.NewGuid();
        (HttpMethod Method, string Path)[] addresses =
        [
            (HttpMethod.Post, "/api/dogs"), (HttpMethod.Put, dog), (HttpMethod.Post, $"{dog}/readings"), (HttpMethod.Post, $"{dog}/choice"),
            (HttpMethod.Post, $"{dog}/plan/position"), (HttpMethod.Put, $"/api/sessions/{session}/goes/{id}"), (HttpMethod.Put, $"/api/sessions/{session}/signs/{id}"),
            (HttpMethod.Post, "/api/what-if/reading"), (HttpMethod.Post, "/api/what-if/strap"), (HttpMethod.Post, "/api/what-if/fit"),
        ];
        string[] bodies =
        [
            "{}", "[]", "null", "", "{", "true", "1e999", "{\"snout\":[],\"basket\":7}", "{\"name\":{\"a\":1}}", "{\"text\":[\"95\"]}",
            "{\"stepId\":\"touch-it\",\"target\":-9999999999}", "{\"success\":\"yes\"}", "{\"signId\":null}", "{\"sizeId\":\"\",\"fingers\":99}",
            "{\"sizeId\":\"withy-5\",\"uses\":[null]}", "{\"name\":\"\\u0000\",\"version\":1}", new string('[', 5000),
        ];
        foreach (var (method, path) in addresses)
        {
            foreach (var body in bodies)
            {
                var answer = await server.SendAsync(method, path, body);
                Assert.True((int)answer.Status < 500, $"{method} {path} answered {answer.Status} to {body[..Math.Min(60, body.Length)]}");
            }
        }
    }
}
