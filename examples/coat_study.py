"""How a varnish changes what a gloss meter and a spectrophotometer read on painted wood, as a table.

python examples/coat_study.py
"""

import photometra


def main():
    study = photometra.new_study("Varnish")
    rail = study.add("Rail", size_mm=80)
    rail.set({"colour": "#8a5a33", "roughness": 0.6, "coat.ior": 1.52})
    rows = []
    for amount, roughness in ((0.0, 0.0), (1.0, 0.3), (1.0, 0.1), (1.0, 0.0)):
        rail.set({"coat.amount": amount, "coat.roughness": roughness})
        gloss = rail.measure("glossmeter")
        reflectance = rail.measure("spectrophotometer", "de:8")
        at_60 = float(gloss["gloss_units"][gloss["angle_deg"] == 60.0][0])
        rows.append((amount, roughness, at_60, float(reflectance["reflectance"].mean())))
    print("coat  roughness  gloss 60°  mean reflectance de:8")
    for amount, roughness, at_60, mean in rows:
        print(f"{amount:4g}  {roughness:9g}  {at_60:9.1f}  {mean:.3f}")
    return rows


if __name__ == "__main__":
    main()
