<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Format\Table;

use WaryHeron\Core\Text\Words;

/**
 * Which column of a table holds which of our fields. Columns that hold none are kept as left-over fields under their
 * heading.
 */
final readonly class Columns
{
    /**
     * What a column can hold, and headings that say so in several languages, in lower case without signs and accents,
     * the surer before what may mean others too.
     */
    public const FIELDS = [
        'id' => 'id recordid recordnumber recordno refid referenceid key identifier referencenumber refno '
            .'refnumber studyid articleid paperid rowid uid',
        'type' => 'type documenttype publicationtype itemtype referencetype doctype kind typ dokumenttyp '
            .'typededocument tipo tipodedocumento typedocument dokumenttype typpublikacji documentkind '
            .'publicationkind publikationstyp publikationsart тип 文献类型 contenttype',
        'title' => 'title articletitle documenttitle itemtitle publicationtitle worktitle titel titre ti titolo titulo '
            .'tittel otsikko tytul nazev artikeltitel titredelarticle titeldesartikels titeldespublikation '
            .'titulodelarticulo titulodoartigo titolodellarticolo titelvanhetartikel papertitle studytitle '
            .'referencetitle cim baslik naslov название заглавие назва 标题 題名 标题名 篇名 题名 タイトル 論文名 제목 '
            .'논문명 τιτλος titlu nadpis artikelnavn titleofarticle titleofpaper titlearticle arttitle reftitle '
            .'recordtitle citationtitle scientifictitle officialtitle publictitle titleofthestudy titleofstudy '
            .'titelderstudie titredeletude titulodelestudio titulodoestudo titolodellostudio',
        'authors' => 'authors author authorfullnames authornames creators creator by au autor autoren verfasser '
            .'auteur auteurs autori autore autores forfatter forfattere forfattare tekija tekijat autorzy '
            .'autorin autorinnen verfasserin verfasserinnen autoria autoriarticolo autora autoras '
            .'authorlist authorsnames namesofauthors listofauthors autordelarticulo autorzyartykulu '
            .'autorstvo szerzo szerzok yazar yazarlar автор авторы автори 作者 著者 著者名 저자 συγγραφεις '
            .'συγγραφεας autors authorss firstauthor leadauthor mainauthor correspondingauthor erstautor '
            .'erstautorin premierauteur primerautor primeiroautor primoautore autorprincipal refauthors '
            .'refauthor articleauthors paperauthors studyauthors 第一作者',
        'year' => 'year publicationyear pubyear yearpublished py jahr annee erscheinungsjahr anneedepublication '
            .'ano anodepublicacion anodepublicacao anno jaar ar vuosi rok utgivelsesar udgivelsesar '
            .'utgivningsar publiceringsar publikationsjahr publikasjonsar jahrderveroffentlichung '
            .'anodepublicacio anodellapubblicazione annodipubblicazione annopubblicazione '
            .'jaarvanpublicatie publicatiejaar julkaisuvuosi rokwydania rokpublikacji rokvydani '
            .'yearofpublication publishedyear yearpub yr ev yil godina anul год годиздания рік 年 年份 出版年 '
            .'発行年 发表年份 발행연도 연도 ετος refyear articleyear paperyear studyyear',
        'date' => 'date publicationdate pubdate datepublished datum fecha data datedepublication '
            .'dateofpublication publisheddate publisheddateonline coverdate issuedate publikationsdatum '
            .'erscheinungsdatum publicatiedatum utgivelsesdato fechadepublicacion datadepublicacao '
            .'datadipubblicazione dato дата датапубликации 出版日期 発行日',
        'journal' => 'journal sourcetitle source journaltitle journalname publicationname containertitle '
            .'periodical booktitle so zeitschrift revue revista rivista tijdschrift tidsskrift tidskrift '
            .'lehti czasopismo zeitschriftentitel titelderzeitschrift nomdelarevue titredelarevue '
            .'nombredelarevista titulodelarevista titulodarevista nomedelarivista nomerivista '
            .'titolodellarivista periodico nomedoperiodico periodique naamtijdschrift journalbook '
            .'journalorbook publishedin publicationsource casopis folyoirat dergi revija '
            .'revist журнал источник 期刊 刊名 来源 雑誌名 掲載誌 저널 학술지 περιοδικο publicationtitle publication '
            .'hosttitle hostpublication venue publicationvenue refjournal conference conferencename',
        'journalShort' => 'journalshort journalabbreviation abbreviatedjournal abbreviatedsourcetitle shortjournal '
            .'journalabbr abbreviatedjournaltitle isoabbreviation journaliso sourceabbreviation',
        'volume' => 'volume vol vl band jahrgang volumen jaargang tom tome volym bind argang jahrgangband rocnik '
            .'kotet cilt journalvolume том 卷 巻 권',
        'issue' => 'issue number no issuenumber heft nummer ausgabe numero aflevering iss issueno issuenum '
            .'numeros fascicolo fascicule zeszyt cislo szam sayi hefte heftnummer nummerderausgabe '
            .'номер выпуск 期 号 호 journalissue',
        'pages' => 'pages page pagination pagerange pp articlenumber artno seiten seite paginas pagine sider '
            .'sidor strony pagenumbers pageno pagenos seitenzahl seitenzahlen stranice oldalak sayfa sivut '
            .'strana strany страницы 页码 页 ページ 쪽 pagesrange articleno articlenum artnr',
        'firstPage' => 'firstpage startpage pagestart pagefrom beginningpage frompage spage ersteseite anfangsseite '
            .'premierepage paginainicial paginadeinicio primapagina eerstepagina 起始页',
        'lastPage' => 'lastpage endpage pageend pageto endingpage topage epage letzteseite endseite dernierepage '
            .'paginafinal paginadefin ultimapagina laatstepagina',
        'doi' => 'doi digitalobjectidentifier doilink doinumber doiurl doi链接 doino articledoi identifiantdoi '
            .'doiidentifier itemdoi refdoi paperdoi studydoi',
        'abstract' => 'abstract abstracttext summary ab zusammenfassung resume resumen resumo riassunto '
            .'samenvatting sammendrag sammanfattning streszczenie abstractnote abstracten abstractenglish '
            .'kurzfassung abriss kurzreferat resumeanglais sommaire sintesi sommario tiivistelma abstrakt '
            .'abstrakti osszefoglalo ozet sazetak rezumat povzetek аннотация реферат анотація резюме 摘要 要旨 '
            .'抄録 초록 περιληψη briefsummary',
        'keywords' => 'keywords keyword authorkeywords subjects subject indexterms descriptors tags headings '
            .'schlagworter schlagworte stichworter motscles palabrasclave palavraschave parolechiave '
            .'trefwoorden nokkelord nyckelord indexkeywords subjectheadings subjectheading meshterms '
            .'meshheadings mesh keywordsauthor authorskeywords authorkeyword keywordsplus keyterms '
            .'stichworte schlusselworter schlagwort descripteurs descriptores descritores terminos emneord '
            .'avainsanat asiasanat slowakluczowe klicovaslova kulcsszavak anahtarkelimeler kljucnerijeci '
            .'cuvintecheie ключевыеслова ключовіслова 关键词 关键字 キーワード 키워드 λεξειςκλειδια',
        'language' => 'language lang languageoforiginaldocument sprache langue idioma lingua taal sprak languages '
            .'languageoftext articlelanguage languagecode langues idiomas kieli jezyk jazyk nyelv dil '
            .'jezik язык мова 语言 言語 언어',
        'url' => 'url urls link links weblink address lien enlace adresse webaddress '
            .'fulltexturl fulltextlink linkurl articleurl uri internetadresse webadresse lienurl ссылка 链接 '
            .'网址 studyurl',
        'publisher' => 'publisher verlag editeur editorial editora editore uitgever forlag publishers publishername '
            .'publishedby verlagsname maisondedition casaeditora casaeditrice kustantaja wydawca '
            .'wydawnictwo vydavatel kiado yayinci izdavac издатель издательство 出版社 出版者 출판사',
        'place' => 'place city publicationplace placeofpublication ort erscheinungsort lieu lugar luogo '
            .'publisherlocation publishercity stadt ville ciudad cidade citta plaats sted miejsce '
            .'misto hely место 出版地',
        'issn' => 'issn issnisbn isxn printissn eissn onlineissn issnprint issnonline issne issnl pissn '
            .'electronicissn',
        'editors' => 'editors editor editornames ed eds editedby herausgeber hrsg editores curatore curatori '
            .'herausgeberin herausgeberinnen hg acuradi redacteur redacteurs redaktor redaktorzy '
            .'toimittaja toimittajat redaktorer editorsnames bookeditors direccion coordinador organizador '
            .'organizadores 编者 編者 редактор',
        'series' => 'series seriestitle seriesname bookseries reihe collection serie collana schriftenreihe '
            .'titredelacollection coleccion colecao sarja seria rada reeks серия 丛书 bookseriestitle',
        'edition' => 'edition auflage edicion edicao edizione editionnumber uitgave painos wydanie vydani kiadas '
            .'издание 版本',
        'isbn' => 'isbn isbns isbnnumber isbnprint eisbn',
        'partTitle' => 'parttitle volumetitle bandtitel titleofvolume titeldesbandes',
        'accession' => 'accession accessionnumber accessionno an databaseid uniqueid accessionnum uniqueidentifier '
            .'accessionid pmid databaserecordid trialid trialnumber nctnumber',
        'fields' => 'otherfields',
    ];

    /** How cells look that hold this. */
    private const LOOKS = [
        'doi' => '~^(?:https?://(?:dx\.)?doi\.org/|doi:?\s*)?10\.\d{4,9}/\S+$~i',
        'year' => '/^(?:1[5-9]|20)\d\d$/',
        'authors' => '/^\p{Lu}[\p{L}\'’ -]*(?:,\s*\p{Lu}[\p{L}. -]*|\s\p{Lu}{1,3})(?:\s*(?:;|,|&|and)\s*.+)?$/u',
        'abstract' => '/^.{140,}/us',
    ];

    /** Of which each may have a column of its own: “Author 1”, “Author 2”. */
    private const SEVERAL = ['authors', 'editors', 'keywords'];

    /** @param  array<int, string>  $fields the field by column number, from 0; columns left out hold none */
    public function __construct(public array $fields)
    {
        if (array_diff($fields, array_keys(self::FIELDS)) !== []) {
            throw new \InvalidArgumentException(
                'Not a field: '.implode(', ', array_diff($fields, array_keys(self::FIELDS))),
            );
        }
    }

    /** @param  list<string>  $headings */
    public static function guess(array $headings): self
    {
        $plain = array_map(self::plain(...), $headings);
        $fields = [];
        foreach (self::names() as $field => $names) {
            foreach ($names as $name) {
                $at = array_diff(array_keys($plain, $name, true), array_keys($fields));
                if ($at !== []) {
                    $fields += array_fill_keys(in_array($field, self::SEVERAL, true) ? $at : [min($at)], $field);
                    break;
                }
            }
        }
        ksort($fields);

        return new self($fields);
    }

    /** @return array<string, list<string>> headings by field, written as plain() writes them */
    private static function names(): array
    {
        /** @var array<string, list<string>>|null $names */
        static $names = null;

        return $names ??= array_map(
            fn (string $written): array => array_map(self::plain(...), explode(' ', $written)),
            self::FIELDS,
        );
    }

    /** Only its letters, and of "Autor:innen", "Verfasser/in" or "Autore/i" the first form. */
    private static function plain(string $heading): string
    {
        $one = (string) preg_replace('~(?:[:*_]|/-?)(?:innen|in|[aeiou])(?!\p{L})~iu', '', mb_scrub($heading, 'UTF-8'));

        return (string) preg_replace('/[^\p{L}]+/u', '', Words::fold($one));
    }

    /**
     * What columns that hold nothing of ours look like by their cells, and no other column holds: easily overlooked,
     * dearly missed.
     *
     * @param  list<list<string>>  $rows  some of the table's
     * @return array<int, string> one of doi, authors, year and abstract by column
     */
    public function overlooked(array $rows): array
    {
        $looks = [];
        foreach (range(0, max([0, ...array_map(count(...), $rows)])) as $at) {
            $cells = array_values(
                array_filter(
                    array_map(fn (array $row): string => trim($row[$at] ?? ''), $rows),
                    fn (string $cell): bool => $cell !== '',
                ),
            );
            foreach (isset($this->fields[$at]) || $cells === [] ? [] : self::LOOKS as $field => $pattern) {
                if (! $this->hold($field) && count(preg_grep($pattern, $cells) ?: []) >= 0.6 * count($cells)) {
                    $looks[$at] = $field;
                    break;
                }
            }
        }

        return $looks;
    }

    public function hold(string $field): bool
    {
        return in_array($field, $this->fields, true);
    }
}
