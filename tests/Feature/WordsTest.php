<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\ShopSetting;
use App\Words\Template;
use App\Words\Words;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Testing\TestResponse;
use NeatEdge\Core\Sheet\JobSheet;
use NeatEdge\Core\Sheet\Layout\Layer;
use NeatEdge\Core\Sheet\Layout\Layout;
use NeatEdge\Core\Sheet\Layout\Role;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use Tests\TestCase;

/** The page, and what the server says, in the language of who reads it. */
final class WordsTest extends TestCase
{
    use RefreshDatabase;

    /** @return array<string, array{string, string}> */
    public static function sentences(): array
    {
        return [
            'whole' => ['Choose pieces first.', 'Erst Teile wählen.'],
            'filled in, and numbers as they are written' => [
                'A part is as small as a square of 0.29 mm; at least 1,200.50 mm are needed.',
                'Ein Stück ist so klein wie ein Quadrat von 0,29 mm; mindestens 1.200,50 mm sind nötig.',
            ],
            'with a name that is nobody’s to change' => ['"Move" is locked; unlock it in the list of pieces first.', '"Move" ist gesperrt; bitte erst in der Liste der Teile entsperren.'],
            'with a label in it' => ['Width is missing: type a length between 0.1 and 500 mm.', 'Breite fehlt: bitte eine Länge zwischen 0,1 und 500 mm eintippen.'],
            'one of several' => ['A piece lies outside the page, by up to 2.00 mm: it is cut or printed all the same. Take it out, or let the page be that of the art.', 'Ein Teil liegt um bis zu 2,00 mm außerhalb der Seite: Es wird trotzdem geschnitten oder gedruckt. Bitte herausnehmen oder die Seite die der Zeichnung sein lassen.'],
            'two in a row' => ['Choose pieces first. Draw: Circle', 'Erst Teile wählen. Zeichnen: Kreis'],
            'things in a row, by their labels' => [
                '86 findings are open, 30 of them serious: thin line (68), island (10) and one more kind.',
                '86 Befunde sind offen, 30 davon schwer: Dünne Linie (68), Insel (10) und eine weitere Art.',
            ],
            'a colour with its code' => ['Boat sign, plate 1: dark blue #223344', 'Boat sign, Druckform 1: dunkelblau #223344'],
            'of the verdict' => [
                'Looks the same but for 1 thing that was left out or replaced; 3.1 mm² in a colour that is not distinguishable from the one before',
                'Sieht gleich aus bis auf 1 Sache, die weggelassen oder ersetzt wurde; 3,1 mm² in einer Farbe, die von der früheren nicht zu unterscheiden ist',
            ],
            'what nobody knows' => ['An otter swims in the harbour.', 'An otter swims in the harbour.'],
            'what only looks like one that is known' => ['otters over bridges', 'otters over bridges'],
        ];
    }

    #[Test]
    #[DataProvider('sentences')]
    public function a_sentence_is_said_whole(string $english, string $german): void
    {
        self::assertSame($german, Words::in('de')->say($english));
        self::assertSame($english, Words::in('en')->say($english));
    }

    #[Test]
    public function what_is_missing_is_told(): void
    {
        Words::in('de')->say('A heron stands in the reeds.');
        self::assertContains('A heron stands in the reeds.', Words::in('de')->missed());
        self::assertNotContains('Choose pieces first.', Words::in('de')->missed());
    }

    #[Test]
    public function what_is_read_is_said_and_what_somebody_typed_is_not(): void
    {
        $row = [
            'title' => 'Colours', 'name' => 'Circle', 'accepted' => 'Ready', 'label' => 'Circle', 'open' => ['Choose pieces first.'],
            'fields' => [['name' => 'width', 'label' => 'Width', 'options' => ['left' => 'Left']]], 'art' => ['label' => 'Circle'],
            'layouts' => [['title' => 'Boat sign, plate 2: Cream', 'name' => 'Cream']],
        ];
        self::assertSame([
            'title' => 'Colours', 'name' => 'Circle', 'accepted' => 'Ready', 'label' => 'Kreis', 'open' => ['Erst Teile wählen.'],
            'fields' => [['name' => 'width', 'label' => 'Breite', 'options' => ['left' => 'Links']]], 'art' => ['label' => 'Circle'],
            'layouts' => [['title' => 'Boat sign, Druckform 2: Cream', 'name' => 'Cream']],
        ], Words::in('de')->row($row));
        self::assertSame('Set in "Fraunces" instead', Words::in('de')->row(['accepted' => 'Set in "Fraunces" instead'])['accepted']);
        self::assertSame('Stattdessen in „Fraunces“ gesetzt', Words::in('de')->row(['accepted' => 'Set in "Fraunces" instead', 'cured' => 'instead'])['accepted']);
    }

    /** A place that is lost is a name or a number that nobody reads. */
    #[Test]
    public function every_sentence_of_every_catalogue_fills_in_what_the_english_one_does(): void
    {
        $wrong = [];
        foreach (glob(lang_path('server/*.json')) ?: [] as $file) {
            foreach (json_decode((string) file_get_contents($file), true, flags: JSON_THROW_ON_ERROR) as $english => $said) {
                $places = static function (string $text): array {
                    preg_match_all('/\{\d+\}/', str_replace('{=', '{', $text), $found);
                    sort($found[0]);

                    return array_values(array_unique($found[0]));
                };
                if (trim($said) === '' || $places((string) $english) !== $places($said)) {
                    $wrong[] = $english;
                }
            }
        }
        self::assertSame([], $wrong);
    }

    #[Test]
    public function a_template_finds_what_it_was_filled_with(): void
    {
        $template = new Template('{0} over {1}, by {2} mm.', '{2} mm: {1} unter {0}');
        self::assertSame(['a', 'b over c', '3'], $template->values('a over b over c, by 3 mm.'));
        self::assertNull($template->values('a under b, by 3 mm.'));
        self::assertNull($template->values('a over b, by 3 mm. And more.'));
        self::assertSame('3 mm: b unter a', $template->fill(['a', 'b', '3']));
        self::assertSame(['', 'Laid'], [Template::begins('{0} over {1}, by {2} mm.'), Template::begins('Laid first of {0}.')]);
    }

    #[Test]
    public function the_page_is_in_the_language_that_the_browser_asks_for_and_the_settings_go_before(): void
    {
        $asked = fn (string $header, ?string $cookie = null): TestResponse => $this->call(
            'GET', '/jobs/3', [], $cookie === null ? [] : ['language' => $cookie], [], ['HTTP_ACCEPT_LANGUAGE' => $header],
        );
        $asked('de-AT,de;q=0.9,en;q=0.5')->assertOk()->assertSee('<html lang="de">', false)->assertSee('/words/de.js?', false);
        $asked('en-GB')->assertSee('<html lang="en">', false)->assertDontSee('/words/', false);
        $asked('fr')->assertSee('<html lang="en">', false);
        $asked('en-GB', 'de')->assertSee('<html lang="de">', false);
        $asked('de', 'en')->assertSee('<html lang="en">', false);
        $asked('de', '"><script>')->assertSee('<html lang="de">', false);
    }

    #[Test]
    public function its_sentences_are_a_script_of_our_own_and_of_no_other_file(): void
    {
        $script = $this->get('/words/de.js')->assertOk()->assertHeader('Content-Type', 'text/javascript; charset=utf-8');
        $words = (string) $script->getContent();
        self::assertStringStartsWith('window.neatEdgeWords={', $words);
        self::assertSame('Größer', json_decode(rtrim(substr($words, strlen('window.neatEdgeWords=')), ';'), true)['Zoom in']);
        $this->get('/words/fr.js')->assertNotFound();
        $this->get('/words/..%2Fserver%2Fde.js')->assertDontSee('neatEdgeWords');
    }

    #[Test]
    public function a_german_reader_gets_german_answers_refusals_and_history(): void
    {
        $this->withHeader('Accept-Language', 'de');
        $this->postJson('/api/v1/jobs', ['title' => str_repeat('a', 200), 'process' => 'cut-vinyl', 'width' => '120mm', 'height' => '80mm'])->assertStatus(422)
            ->assertJsonPath('message', 'Der Titel ist länger als 120 Buchstaben.');
        $job = $this->postJson('/api/v1/jobs', ['title' => 'Circle', 'process' => 'cut-vinyl', 'width' => '120mm', 'height' => '80mm'])->assertCreated()->json('id');
        $state = $this->getJson("/api/v1/jobs/{$job}")->assertJsonPath('job.processLabel', 'Folie schneiden')->assertJsonPath('job.title', 'Circle');
        self::assertContains('Striche in Flächen', array_column($state->json('art.line'), 'label'));
        $drawn = $this->postJson("/api/v1/jobs/{$job}/edits", ['version' => $state->json('job.version'), 'edit' => [
            'kind' => 'draw-shape', 'shape' => 'ellipse', 'x' => '10mm', 'y' => '10mm', 'width' => '20mm', 'height' => '20mm',
        ]])->assertOk()->assertJsonPath('history.label', 'Zeichnen: Kreis, Ring oder Segment');
        $this->postJson("/api/v1/jobs/{$job}/edits", ['version' => $drawn->json('job.version'), 'edit' => ['kind' => 'weld', 'pieces' => ['nobody']]])->assertStatus(422)
            ->assertJsonPath('message', 'Das Teil „nobody“ ist nicht mehr auf der Werkbank.');
        $this->getJson('/api/v1/jobs/999999')->assertNotFound()->assertJsonPath('message', 'Das ist nicht mehr hier.');
    }

    #[Test]
    public function the_guide_is_german_where_somebody_put_it_into_german_and_leads_to_the_same_places(): void
    {
        $english = $this->getJson('/api/v1/guide')->json('pages');
        $this->withHeader('Accept-Language', 'de');
        $german = $this->getJson('/api/v1/guide')->json('pages');
        self::assertSame(array_column($english, 'page'), array_column($german, 'page'));
        foreach ($english as $i => $page) {
            self::assertSame(array_column($page['headings'], 'id'), array_column($german[$i]['headings'], 'id'), $page['page']);
            self::assertNotSame($page['title'], $german[$i]['title']);
        }
        self::assertStringContainsString('id="start-the-job">Auftrag beginnen', (string) $this->getJson('/api/v1/guide/first-job')->json('html'));
        self::assertStringContainsString('Verschweißen', (string) $this->getJson('/api/v1/guide/reference')->json('html'));
    }

    /** @return iterable<string, array{string, string, string}> */
    public static function days(): iterable
    {
        yield 'English' => ['day', 'en', '3 May 2026'];
        yield 'German' => ['day', 'de', '3. Mai 2026'];
        yield 'German, month first' => ['month', 'de', 'Mai 3, 2026'];
        yield 'month first' => ['month', 'en', 'May 3, 2026'];
        yield 'as machines read it' => ['iso', 'de', '2026-05-03'];
        yield 'as was set by a later version' => ['stars', 'en', '3 May 2026'];
    }

    #[Test, DataProvider('days')]
    public function days_on_paper_have_the_months_of_the_language(string $way, string $language, string $written): void
    {
        self::assertSame($written, ShopSetting::day('2026-05-03', $way, $language));
        self::assertSame('soon', ShopSetting::day('soon', $way, $language), 'what is no day stays');
    }

    #[Test]
    public function a_job_sheet_says_what_we_say_in_that_language_and_leaves_names_alone(): void
    {
        $row = ['layout' => new Layout('x', 'Circle, plate 1: Cream', 100.0, 100.0, [new Layer(Role::Plate, 'Cream', '#f6ecd6', [])]), 'seconds' => 60.0, 'cut_mm' => 0.0, 'material_cost' => null, 'machine_cost' => 2.5];
        $words = static fn (array $pages): string => implode("\n", array_column(array_merge(...$pages[0]->words === [] ? [[]] : [$pages[0]->words]), 3));
        $said = $words(JobSheet::pages('Circle', ['Kunde' => 'Star'], [$row], ['Choose pieces first.'], 'EUR', said: Words::in('de')->say(...)));
        foreach (['Circle', 'Star', 'Circle, Druckform 1: Cream', 'Hingenommen, wie es ist', 'Erst Teile wählen.', 'Material ohne Preis, Maschine 2,50 EUR'] as $line) {
            self::assertStringContainsString($line, $said);
        }
    }
}
