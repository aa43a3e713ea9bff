package org.grammatus.demo;

import java.util.List;

/** The made-up names of the scenario. */
final class Vocabulary {

    static final List<String> REGIONS = List.of("Upland", "Lakeside", "Coast", "Lowland", "Islands");
    static final List<String> DEPOTS = List.of("Alder Quay", "Finch Lane", "Kiln Yard", "Tarn Street");
    static final List<String> BRANCHES = List.of("Merrow North", "Merrow South");
    static final List<String> CUSTOMER_TYPES = List.of("commercial", "club", "school", "hobby");
    static final List<String> ACCOUNT_MANAGERS =
            List.of("Odile Marrow", "Tobin Ashgrove", "Petra Lindqvale", "Rufus Hallowmere", "Ines Quillbrook");
    static final List<String> FIRST = List.of(
            "Fern",
            "Bramble",
            "Heather",
            "Clover",
            "Thistle",
            "Willow",
            "Sorrel",
            "Meadow",
            "Hazel",
            "Foxglove",
            "Linden",
            "Bracken",
            "Rowan",
            "Sallow",
            "Teasel",
            "Yarrow",
            "Marjoram",
            "Borage",
            "Larkspur",
            "Campion");
    static final List<String> SECOND = List.of(
            "hollow", "wick", "dale", "mere", "garth", "combe", "ford", "shaw", "bourne", "holt", "stead", "thorpe");
    static final List<String> TOWNS = List.of(
            "Merrowdale",
            "Little Skep",
            "Combford",
            "Waxham Tarn",
            "Upper Dronley",
            "Nectar Bridge",
            "Smokers Green",
            "Hiveley",
            "Queensmere",
            "Swarmington",
            "Propolis Cross",
            "Brood Hill",
            "Foulbeck",
            "Candlewick Bay");
    static final List<String> SUPPLIERS = List.of(
            "Timberline Joinery",
            "Waxworks of Combford",
            "Glasshouse Nine",
            "Skepmakers Guild",
            "Northlight Steel",
            "Paper & Paste Co",
            "Sugarloaf Mills",
            "Veil and Glove",
            "Drone Valley Queens",
            "Millrace Plastics",
            "Ironbark Tools",
            "Honeyed Print");
    static final List<String> CONTACTS = List.of(
            "Alba Finch",
            "Corin Weld",
            "Delphine Oakes",
            "Emrys Tallow",
            "Greta Sallow",
            "Hugo Pell",
            "Isolde Marsh",
            "Jory Kestrel",
            "Kit Larkin",
            "Lorna Vetch",
            "Milo Brack",
            "Nell Thornby");

    /** A category with its products, the price of the cheapest and the dearest in hundredths, and its busiest month. */
    record Category(String name, List<String> products, long least, long most, int peakMonth) {}

    static final List<Category> CATEGORIES = List.of(
            new Category(
                    "Hives",
                    List.of(
                            "Cedar hive",
                            "Pine hive",
                            "Long hive",
                            "Observation hive",
                            "Nucleus box",
                            "Hive stand",
                            "Hive floor",
                            "Brood box",
                            "Super box",
                            "Flat roof",
                            "Gabled roof",
                            "Crown board",
                            "Mesh floor",
                            "Entrance block"),
                    1_250,
                    38_500,
                    3),
            new Category(
                    "Frames & Foundation",
                    List.of(
                            "Brood frame",
                            "Super frame",
                            "Wired foundation",
                            "Unwired foundation",
                            "Drone foundation",
                            "Frame nails",
                            "Frame wire",
                            "Castellated spacer",
                            "Narrow spacer",
                            "Wide spacer",
                            "Foundation press",
                            "Comb cutter",
                            "Frame rest"),
                    95,
                    4_900,
                    4),
            new Category(
                    "Protective Wear",
                    List.of(
                            "Full suit",
                            "Half jacket",
                            "Child suit",
                            "Round veil",
                            "Square veil",
                            "Leather gloves",
                            "Rubber gloves",
                            "Ankle straps",
                            "Hat",
                            "Sleeve covers",
                            "Boots",
                            "Vented suit"),
                    690,
                    16_900,
                    4),
            new Category(
                    "Extraction",
                    List.of(
                            "Two-frame extractor",
                            "Four-frame extractor",
                            "Nine-frame extractor",
                            "Uncapping fork",
                            "Uncapping knife",
                            "Uncapping tray",
                            "Honey strainer",
                            "Settling tank",
                            "Honey tap",
                            "Refractometer",
                            "Honey pump",
                            "Creamer",
                            "Bottling stand",
                            "Wax melter"),
                    850,
                    89_000,
                    8),
            new Category(
                    "Feed & Care",
                    List.of(
                            "Sugar syrup",
                            "Fondant block",
                            "Pollen patty",
                            "Frame feeder",
                            "Top feeder",
                            "Mite strips",
                            "Oxalic vaporiser",
                            "Thymol wafers",
                            "Mouse guard",
                            "Hive wrap",
                            "Smoker",
                            "Smoker fuel",
                            "Hive tool",
                            "Bee brush"),
                    320,
                    14_500,
                    12),
            new Category(
                    "Jars & Labels",
                    List.of(
                            "Small jar",
                            "Medium jar",
                            "Large jar",
                            "Hexagon jar",
                            "Squeeze bottle",
                            "Gold lid",
                            "White lid",
                            "Plain label",
                            "Printed label",
                            "Tamper seal",
                            "Gift box",
                            "Comb box",
                            "Jar carton",
                            "Label roll"),
                    8,
                    2_400,
                    9),
            new Category(
                    "Queens & Nuclei",
                    List.of(
                            "Mated queen",
                            "Virgin queen",
                            "Breeder queen",
                            "Five-frame nucleus",
                            "Six-frame nucleus",
                            "Package of bees",
                            "Queen cage",
                            "Marking pen",
                            "Clipping scissors",
                            "Cell bar",
                            "Grafting tool",
                            "Cell cups",
                            "Mating hive",
                            "Queen excluder"),
                    150,
                    24_000,
                    5));

    static final String LONG_NAME =
            "The Worshipful and Ancient Fellowship of Beekeepers, Mead Makers, Candle Dippers and"
                    + " Friends of the Solitary Bee of the Upper Valley and the Seven Adjoining Parishes";

    private Vocabulary() {}
}
